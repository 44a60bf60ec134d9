'use client';
import { useMemo, useState } from 'react';
import type { WordHit, WordSearch } from '@/core/project/findWords';
import { findWords, replaceWords } from '@/core/project/findWords';
import { Button } from '../../shared/Button';
import { Modal } from '../../shared/Modal';
import { numbersOf, useApplyTitles, usePlan, useTemplateOf, useTitles } from '../deskContext';
import { counted } from '../../shared/counted';

const keyOf = ({ titleId, deliveryId, field }: WordHit): string =>
  `${titleId} ${deliveryId ?? ''} ${field.id}`;
const MOST_SHOWN = 300;

/** Find and replace: every hit is shown before and after, and can be left out. */
export function FindDialog({ onClose }: { readonly onClose: () => void }) {
  const titles = useTitles();
  const templateOf = useTemplateOf();
  const apply = useApplyTitles();
  const [search, setSearch] = useState<WordSearch>({
    find: '',
    replaceWith: '',
    matchCase: false,
    wholeWords: false,
  });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const hits = useMemo(() => findWords(titles, search, templateOf), [titles, search, templateOf]);
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
        <Tick label="Same capitals" value={search.matchCase} onChange={(matchCase) => set({ matchCase })} />
        <Tick label="Whole words" value={search.wholeWords} onChange={(wholeWords) => set({ wholeWords })} />
      </div>
      {search.find !== '' && hits.length === 0 && <p className="pt-4 text-soft">No title says that.</p>}
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
  const numbers = numbersOf(useTitles());
  const { deliveries } = usePlan();
  const { titleId, deliveryId, field, before, after, problem } = hit;
  const delivery = deliveries.find(({ id }) => id === deliveryId);
  return (
    <label className="grid grid-cols-[20px_44px_130px_1fr_1fr] items-center gap-2 py-1.5">
      <input
        type="checkbox"
        disabled={problem !== ''}
        checked={problem === '' && wanted}
        onChange={onToggle}
      />
      <span className="font-mono text-[12px] text-soft">{numbers.get(titleId)}</span>
      <span className="truncate text-soft">
        {delivery === undefined ? field.label : `${field.label} in ${delivery.name}`}
      </span>
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

interface TickProps {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (value: boolean) => void;
}

function Tick({ label, value, onChange }: TickProps) {
  return (
    <label className="flex items-center gap-2">
      <input type="checkbox" checked={value} onChange={(event) => onChange(event.target.checked)} />
      {label}
    </label>
  );
}
