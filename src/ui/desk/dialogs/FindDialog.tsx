'use client';
import { useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { WordHit, WordPlace, WordSearch } from '@/core/project/findWords';
import { findWords, placeKey, replaceWords } from '@/core/project/findWords';
import { Button } from '../../shared/Button';
import { Modal } from '../../shared/Modal';
import { counted } from '../../shared/counted';
import { Tick } from '../../shared/Tick';
import { useTracks } from '../captions/captionContext';
import { numbersOf, useApplyWork, useDesk, usePlan, useTemplateOf, useTitles } from '../deskContext';

const keyOf = ({ place }: WordHit): string => placeKey(place);

type Where = WordPlace['in'];
const WHERES: readonly { readonly id: Where; readonly label: string }[] = [
  { id: 'title', label: 'Titles' },
  { id: 'captions', label: 'Captions' },
  { id: 'credits', label: 'Credits' },
];
const MOST_SHOWN = 300;

/** Find and replace: every hit is shown before and after, and can be left out. */
export function FindDialog({ onClose }: { readonly onClose: () => void }) {
  const titles = useTitles();
  const cues = useStore(useDesk().store, (state) => state.cues);
  const templateOf = useTemplateOf();
  const apply = useApplyWork();
  const [wheres, setWheres] = useState<readonly Where[]>(WHERES.map(({ id }) => id));
  const [search, setSearch] = useState<WordSearch>({
    find: '',
    replaceWith: '',
    matchCase: false,
    wholeWords: false,
  });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const hits = useMemo(
    () => findWords({ titles, cues }, search, templateOf).filter(({ place }) => wheres.includes(place.in)),
    [titles, cues, search, templateOf, wheres],
  );
  const has: Readonly<Record<Where, boolean>> = {
    title: true,
    captions: cues.length > 0,
    credits: titles.some(({ credits }) => (credits?.rows.length ?? 0) > 0),
  };
  const offered = WHERES.filter(({ id }) => has[id]);
  const wanted = hits.filter((hit) => hit.problem === '' && !left.has(keyOf(hit)));
  const set = (change: Partial<WordSearch>): void => {
    setSearch((now) => ({ ...now, ...change }));
    setLeft(new Set());
  };
  const toggle = (hit: WordHit): void =>
    setLeft((now) => {
      const next = new Set(now);
      if (!next.delete(keyOf(hit))) next.add(keyOf(hit));
      return next;
    });
  const replace = (): void => {
    apply((now) => replaceWords(now, wanted));
    onClose();
  };
  const box = 'h-8 rounded-lg border border-line-strong bg-field px-2.5';
  return (
    <Modal
      title="Find and replace"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft" role="status">
            {search.find === '' ? '' : `${wanted.length} of ${hits.length} places will be changed`}
          </span>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={wanted.length === 0} onClick={replace}>
            {`Replace in ${counted(wanted.length, 'place')}`}
          </Button>
        </>
      }
    >
      <div className="grid grid-cols-2 gap-2">
        <input
          autoFocus
          aria-label="Find"
          placeholder="Find"
          value={search.find}
          onChange={(event) => set({ find: event.target.value })}
          className={box}
        />
        <input
          aria-label="Replace with"
          placeholder="Replace with"
          value={search.replaceWith}
          onChange={(event) => set({ replaceWith: event.target.value })}
          className={box}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
        <Tick label="Same capitals" on={search.matchCase} onChange={(matchCase) => set({ matchCase })} />
        <Tick label="Whole words" on={search.wholeWords} onChange={(wholeWords) => set({ wholeWords })} />
        {offered.length > 1 && (
          <span role="group" aria-label="Looks through" className="ml-auto flex gap-x-5">
            {offered.map(({ id, label }) => (
              <Tick
                key={id}
                label={label}
                on={wheres.includes(id)}
                onChange={(on) => setWheres((now) => (on ? [...now, id] : now.filter((one) => one !== id)))}
              />
            ))}
          </span>
        )}
      </div>
      {search.find !== '' && hits.length === 0 && <p className="pt-4 text-soft">Nothing here says that.</p>}
      {hits.length > 0 && (
        <ul className="mt-3 divide-y divide-line border-y border-line" aria-label="Places found">
          {hits.slice(0, MOST_SHOWN).map((hit) => (
            <li key={keyOf(hit)}>
              <Hit hit={hit} wanted={!left.has(keyOf(hit))} onToggle={() => toggle(hit)} />
            </li>
          ))}
        </ul>
      )}
      {hits.length > MOST_SHOWN && (
        <p className="pt-2 text-soft">and {hits.length - MOST_SHOWN} more places, which are changed too</p>
      )}
    </Modal>
  );
}

interface HitProps {
  readonly hit: WordHit;
  readonly wanted: boolean;
  readonly onToggle: () => void;
}

/** A place where the words are, as it is and as it would be. */
function Hit({ hit, wanted, onToggle }: HitProps) {
  const { before, after, problem } = hit;
  const [number, what] = usePlaceWords(hit.place);
  return (
    <label className="grid grid-cols-[20px_44px_130px_1fr_1fr] items-center gap-2 py-1.5">
      <input
        type="checkbox"
        disabled={problem !== ''}
        checked={problem === '' && wanted}
        onChange={onToggle}
      />
      <span className="font-mono text-[12px] text-soft">{number}</span>
      <span className="truncate text-soft">{what}</span>
      <span className="truncate" dir="auto">
        {before}
      </span>
      {problem === '' ? (
        <span className="truncate font-semibold" dir="auto">
          {after}
        </span>
      ) : (
        <span className="truncate text-stop-ink" title={problem}>
          {`left as it is: ${problem}`}
        </span>
      )}
    </label>
  );
}

const CELL_WORDS = { role: 'Role', name: 'Name', words: 'Caption', speaker: 'Speaker' } as const;

/** The number of what stands at a place, and what of it: a field of a title, a cell of its credits, or a caption. */
function usePlaceWords(place: WordPlace): readonly [number: number | undefined, what: string] {
  const numbers = numbersOf(useTitles());
  const { deliveries } = usePlan();
  const tracks = useTracks();
  const cues = useStore(useDesk().store, (state) => state.cues);
  if (place.in === 'captions') {
    const trackId = cues.find(({ id }) => id === place.cueId)?.trackId;
    const own = cues.filter((cue) => cue.trackId === trackId);
    const track = tracks.length > 1 ? `, ${tracks.find(({ id }) => id === trackId)?.name ?? ''}` : '';
    return [own.findIndex(({ id }) => id === place.cueId) + 1, `${CELL_WORDS[place.cell]}${track}`];
  }
  const number = numbers.get(place.titleId);
  if (place.in === 'credits') return [number, `Credits, ${CELL_WORDS[place.cell].toLowerCase()}`];
  const delivery = deliveries.find(({ id }) => id === place.deliveryId);
  return [number, delivery === undefined ? place.field.label : `${place.field.label} in ${delivery.name}`];
}
