'use client';
import { updateLayer } from '@/core/edit/editTemplate';
import { MIRRORS_WITH_WORDS } from '@/core/model/mirroring';
import type { Mirroring } from '@/core/model/mirroring';
import type { Layer, Template } from '@/core/model/template';
import { SelectBox } from '../../shared/SelectBox';
import { SwitchBox } from '../../shared/SwitchBox';
import { useApply } from '../state/benchStore';
import { useEditing } from '../state/useEditing';
import { Row } from './PropertyRow';

const WHEN: readonly { readonly value: Mirroring['when']; readonly label: string }[] = [
  { value: 'never', label: 'Never' },
  { value: 'words', label: 'By its words' },
  { value: 'always', label: 'Always' },
];

const PARTS: readonly { readonly part: Exclude<keyof Mirroring, 'when'>; readonly label: string }[] = [
  { part: 'places', label: 'Places and alignment' },
  { part: 'forms', label: 'Panels and accents' },
  { part: 'rows', label: 'Order of columns' },
  { part: 'moves', label: 'Direction of moves' },
];

/** Said while the settings are folded away: when the template is mirrored. */
export function mirrorWords({ mirroring }: Template): string {
  switch (mirroring?.when) {
    case 'words':
      return 'by words';
    case 'always':
      return 'always';
    default:
      return '';
  }
}

/** When the template is mirrored, left for right, what of it is, and whether the chosen layers stay as they are. */
export function MirrorRows({ layer }: { readonly layer: Layer }) {
  const apply = useApply();
  const { template, layers } = useEditing();
  const mirroring: Mirroring = template.mirroring ?? { ...MIRRORS_WITH_WORDS, when: 'never' };
  const set = (part: Partial<Mirroring>): void =>
    apply((now) => ({ ...now, mirroring: { ...mirroring, ...part } }));
  const keep = (keepsSide: boolean): void =>
    apply((now) =>
      layers.reduce(
        (done, { id }) =>
          updateLayer(done, id, ({ keepsSide: _, ...one }) => (keepsSide ? { ...one, keepsSide } : one)),
        now,
      ),
    );
  return (
    <>
      <Row label="Mirror">
        <SelectBox
          label="Mirror the template"
          value={mirroring.when}
          choices={WHEN}
          onChange={(when) => set({ when })}
        />
      </Row>
      {mirroring.when !== 'never' && (
        <>
          {PARTS.map(({ part, label }) => (
            <Toggle key={part} label={label} value={mirroring[part]} onChange={(on) => set({ [part]: on })} />
          ))}
          <div className="mt-1 border-t border-line pt-1">
            <Toggle
              label={layers.length > 1 ? 'These layers keep their side' : 'This layer keeps its side'}
              value={layer.keepsSide === true}
              onChange={keep}
            />
          </div>
          <p className="py-1 text-[12px] text-soft">
            Pictures, letters and shadows are not turned round. Settings show the design as it was drawn; the
            picture shows it mirrored.
          </p>
        </>
      )}
    </>
  );
}

interface ToggleProps {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (on: boolean) => void;
}

function Toggle({ label, value, onChange }: ToggleProps) {
  return (
    <div className="flex items-center justify-between gap-2 py-1">
      <span>{label}</span>
      <SwitchBox label={label} value={value} onChange={onChange} />
    </div>
  );
}
