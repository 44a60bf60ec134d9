'use client';
import { useCallback, useState, useMemo } from 'react';
import type { HouseRecord } from '@/contract/house';
import type { TemplateRecord } from '@/contract/templates';
import type { Change } from '@/core/draft/change';
import { sayChange } from '@/core/draft/changeWords';
import type { House } from '@/core/model/house';
import { houseChanges } from '@/core/model/houseChanges';
import { Button } from '../shared/Button';
import { classes } from '../shared/classes';
import { TopBar } from '../shared/TopBar';
import { UndoButtons } from '../shared/UndoButtons';
import { useUndoKeys } from '../shared/useKeys';
import { AreasSection } from './AreasSection';
import { CaptionsSection } from './CaptionsSection';
import { ChecksSection } from './ChecksSection';
import { ClientsSection } from './ClientsSection';
import { ColoursSection } from './ColoursSection';
import { CreditsSection } from './CreditsSection';
import { FacesSection } from './FacesSection';
import { BackupsSection } from './BackupsSection';
import { KeptSection } from './KeptSection';
import { LandingDialog } from './LandingDialog';
import { PresetsSection } from './PresetsSection';
import { RoomSection } from './RoomSection';
import { TimingSection } from './TimingSection';
import { HOUSE_WORDS } from './houseWords';
import { useHouseDraft } from './useHouseDraft';

interface Props {
  readonly saved: HouseRecord;
  readonly templates: readonly TemplateRecord[];
}

export interface SectionProps {
  readonly house: House;
  /** The House that is in force: what templates have is what it says. */
  readonly inForce: House;
  readonly templates: readonly TemplateRecord[];
  readonly onChange: (change: Partial<House>) => void;
}

const SECTIONS = [
  { id: 'colours', label: 'Colours', Part: ColoursSection },
  { id: 'faces', label: 'Fonts', Part: FacesSection },
  { id: 'kept', label: 'Finishes and moves', Part: KeptSection },
  { id: 'timing', label: 'Timing and reading', Part: TimingSection },
  { id: 'captions', label: 'Captions', Part: CaptionsSection },
  { id: 'credits', label: 'Credits', Part: CreditsSection },
  { id: 'presets', label: 'Sending', Part: PresetsSection },
  { id: 'checks', label: 'Checks', Part: ChecksSection },
  { id: 'areas', label: 'Safe areas', Part: AreasSection },
  { id: 'clients', label: 'Other systems', Part: ClientsSection },
  { id: 'room', label: 'Room', Part: RoomSection },
  { id: 'backups', label: 'Backups', Part: BackupsSection },
] as const;

/** The House: what templates and checks refer to. A change is shown where it lands before it is made. */
export function HouseScreen({ saved: first, templates: firstTemplates }: Props) {
  const { saved, house, store, takeBack, catchUp } = useHouseDraft(first);
  const { change } = store.getState();
  const [templates, setTemplates] = useState(firstTemplates);
  const [section, setSection] = useState<(typeof SECTIONS)[number]['id']>('colours');
  const [landing, setLanding] = useState(false);
  // The same list while nothing changes: what was compared for it need not be again.
  const changes = useMemo(() => houseChanges(saved.document, house), [saved.document, house]);
  const say = useCallback((step: Change) => sayChange(step, store.getState().house, HOUSE_WORDS), [store]);
  useUndoKeys(store.temporal);
  const { Part, label } = SECTIONS.find(({ id }) => id === section) ?? SECTIONS[0];
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={
          <>
            <h1 className="font-serif text-[17px] font-semibold">House</h1>
            <span className="text-soft" role="status">
              {changes.length === 0 ? 'as it is in force' : 'changed here, not in force yet'}
            </span>
          </>
        }
        actions={
          <>
            <UndoButtons history={store.temporal} say={say} />
            <Button disabled={changes.length === 0} onClick={takeBack}>
              Take it back
            </Button>
            <Button look="gold" disabled={changes.length === 0} onClick={() => setLanding(true)}>
              See where it lands
            </Button>
          </>
        }
      />
      <main id="content" tabIndex={-1} className="outline-none flex min-h-0 flex-1">
        <nav aria-label="Parts of the House" className="w-52 shrink-0 border-r border-line p-3">
          {SECTIONS.map((one) => (
            <button
              key={one.id}
              type="button"
              aria-current={one.id === section ? 'true' : undefined}
              onClick={() => setSection(one.id)}
              className={classes(
                'block w-full rounded-lg px-3 py-2 text-left',
                one.id === section ? 'bg-leaf-wash font-semibold text-leaf-ink' : 'text-soft hover:text-ink',
              )}
            >
              {one.label}
            </button>
          ))}
        </nav>
        <section aria-label={label} className="min-h-0 flex-1 overflow-y-auto bg-card px-6 py-4">
          <div className="max-w-3xl">
            <h2 className="pb-1 font-serif text-[16px] font-semibold">{label}</h2>
            <Part house={house} inForce={saved.document} templates={templates} onChange={change} />
          </div>
        </section>
      </main>
      {landing && (
        <LandingDialog
          saved={saved}
          house={house}
          changes={changes}
          templates={templates}
          onClose={() => setLanding(false)}
          onKnown={(record, now) => {
            catchUp(record);
            setTemplates(now);
          }}
        />
      )}
    </div>
  );
}
