'use client';
import { PlusIcon, TrashIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { PLAIN_CAPTION_ID } from '@/core/captions/plainCaption';
import { captionFields } from '@/core/captions/cueTitle';
import type { CaptionTrack } from '@/core/model/captions';
import { MOST_TRACKS } from '@/core/model/captions';
import { deliveryLanguage } from '@/core/project/deliver';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { LanguageBox } from '../../shared/LanguageBox';
import { Modal } from '../../shared/Modal';
import { NameBox } from '../../shared/NameBox';
import { SelectBox } from '../../shared/SelectBox';
import { useHouse } from '../../shared/useHouse';
import { useApplyWork, useDesk, usePlan } from '../deskContext';
import type { DeskView } from '../deskContext';
import { useTracks } from './captionContext';

/** The caption tracks of the project: their names, languages and styles. */
export function TracksDialog({ onClose }: { readonly onClose: () => void }) {
  const { ui, store } = useDesk();
  const tracks = useTracks();
  const plan = usePlan();
  const house = useHouse();
  const apply = useApplyWork();
  const change = (list: readonly CaptionTrack[]): void =>
    apply((work) => ({ ...work, plan: { ...work.plan, captions: list } }));
  const set = (id: string, part: Partial<CaptionTrack>): void =>
    change(tracks.map((track) => (track.id === id ? { ...track, ...part } : track)));
  const add = (): void => {
    const id = nanoid(8);
    const language = deliveryLanguage(plan, plan.deliveries[0].id, house);
    const number = tracks.length + 1;
    change([
      ...tracks,
      {
        id,
        name: number === 1 ? 'Captions' : `Captions ${number}`,
        language: language === 'und' ? 'en' : language,
        editionId: null,
      },
    ]);
    ui.setState({ trackId: id, cueIds: [], caret: null });
  };
  const remove = (id: string): void => {
    apply((work) => ({
      ...work,
      cues: work.cues.filter(({ trackId }) => trackId !== id),
      plan: { ...work.plan, captions: tracks.filter((track) => track.id !== id) },
    }));
    ui.setState({ trackId: null, cueIds: [], caret: null });
  };
  return (
    <Modal
      title="Caption tracks"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <Button disabled={tracks.length >= MOST_TRACKS} onClick={add}>
            <PlusIcon className="h-4 w-4" /> Add a track
          </Button>
          <span className="flex-1" />
          <Button look="gold" onClick={onClose}>
            Done
          </Button>
        </>
      }
    >
      <p className="pb-3 text-soft">
        A track holds the captions in one language. Its style is a template of the kind Captions; its first
        text is for the words.
      </p>
      {tracks.length === 0 && <p className="pb-2">There is no track yet.</p>}
      <ul className="grid gap-2">
        {tracks.map((track) => {
          const count = store.getState().cues.filter(({ trackId }) => trackId === track.id).length;
          return (
            <li key={track.id} className="grid grid-cols-[1fr_150px_1.3fr_90px_32px] items-center gap-2">
              <NameBox
                label={`Name of ${track.name}`}
                value={track.name}
                onChange={(name) => set(track.id, { name })}
              />
              <LanguageBox
                label={`Language of ${track.name}`}
                value={track.language}
                otherwise="Not said"
                onChange={(language = 'und') => set(track.id, { language })}
              />
              <StyleBox track={track} onChange={(editionId) => set(track.id, { editionId })} />
              <span className="text-[12px] text-soft">{counted(count, 'caption')}</span>
              <button
                type="button"
                aria-label={`Remove ${track.name} and its captions`}
                title="Remove it and its captions; Undo brings them back"
                className="grid h-8 w-8 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink"
                onClick={() => remove(track.id)}
              >
                <TrashIcon className="h-4 w-4" />
              </button>
            </li>
          );
        })}
      </ul>
    </Modal>
  );
}

interface StyleProps {
  readonly track: CaptionTrack;
  readonly onChange: (editionId: string | null) => void;
}

/** The templates that captions can be painted with; a track stays on its edition until another is chosen. */
function StyleBox({ track, onChange }: StyleProps) {
  const view = useDesk();
  const choices = captionStyles(view, track);
  return (
    <SelectBox
      label={`Style of ${track.name}`}
      value={track.editionId ?? PLAIN_CAPTION_ID}
      onChange={(id) => onChange(id === PLAIN_CAPTION_ID ? null : id)}
      choices={choices}
    />
  );
}

function captionStyles(
  { newest, editions }: DeskView,
  { editionId }: CaptionTrack,
): { readonly value: string; readonly label: string }[] {
  const own = editionId === null ? undefined : editions.get(editionId);
  const styles = [...newest.values()].filter(
    ({ document }) => document.kind === 'caption' && captionFields(document).words !== null,
  );
  const isOlder = own !== undefined && newest.get(own.templateId)?.id !== own.id;
  return [
    { value: PLAIN_CAPTION_ID, label: 'Plain, a plate behind each line' },
    ...styles.map(({ id, number, document, templateId }) => ({
      value: id,
      label:
        templateId === own?.templateId && isOlder ? `${document.name}, edition ${number}` : document.name,
    })),
    ...(isOlder ? [{ value: own.id, label: `${own.document.name}, edition ${own.number} as now` }] : []),
  ];
}
