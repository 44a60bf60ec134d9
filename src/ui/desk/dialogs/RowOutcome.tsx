'use client';
import type { Title } from '@/core/model/project';
import { frameToTimecode } from '@/core/time/clock';
import { useClock, useTemplateOf } from '../deskContext';
import { counted } from '../../shared/counted';
import type { ReadRow } from './fillOutcome';

interface Props {
  readonly row: ReadRow;
  readonly taken: boolean;
  readonly onLeave: (titleId: string) => void;
}

/** What a row becomes: a new title, a changed one with what it said before, one that is as it was, or what is wrong. */
export function RowOutcome({
  row: { title, outcome, problems, hints, differences, index },
  taken,
  onLeave,
}: Props) {
  const templateOf = useTemplateOf();
  if (title === null)
    return (
      <span className="line-clamp-2 text-[12px] leading-[15px] text-stop-ink" title={problems.join('\n')}>
        {problems.join('; ')}
      </span>
    );
  const kept = title.kept.length;
  const changes = differences.map(
    ({ label, before, after }) => `${label}: ${before || 'empty'} → ${after || 'empty'}`,
  );
  const said = [
    outcome === 'new' && (templateOf(title.editionId)?.name ?? ''),
    outcome === 'same' && 'the same as before',
    ...changes,
    kept > 0 && outcome === 'new' && `${kept} kept without a field`,
    ...hints,
  ].filter((part) => part !== false);
  return (
    <span className="flex min-w-0 items-center gap-1.5">
      {outcome !== 'same' && (
        <input
          type="checkbox"
          aria-label={`Take row ${index + 1}`}
          checked={taken}
          onChange={() => onLeave(title.id)}
          className="h-4 w-4 shrink-0 accent-leaf"
        />
      )}
      <span
        className={`line-clamp-2 text-[12px] leading-[15px] ${hints.length > 0 ? 'text-leaf-ink' : 'text-soft'}`}
        title={said.join('\n')}
      >
        {outcome !== 'same' && <strong className="font-semibold text-ink">{outcome} </strong>}
        {said.join(' · ')}
      </span>
    </span>
  );
}

interface GoneProps {
  readonly titles: readonly Title[];
  readonly removed: ReadonlySet<string>;
  readonly onToggle: (titleId: string) => void;
}

/** Titles that the sheet made the last time and does not name any more; they stay unless somebody says otherwise. */
export function GoneRows({ titles, removed, onToggle }: GoneProps) {
  const clock = useClock();
  const templateOf = useTemplateOf();
  return (
    <details className="pt-2">
      <summary className="cursor-pointer text-leaf-ink">
        {`${counted(titles.length, 'title')} of the last time ${titles.length === 1 ? 'is' : 'are'} not in the sheet any more, and ${titles.length === 1 ? 'stays' : 'stay'} unless you tick ${titles.length === 1 ? 'it' : 'them'}`}
      </summary>
      <ul className="max-h-40 overflow-auto pt-1">
        {titles.map((title) => (
          <li key={title.id}>
            <label className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                checked={removed.has(title.id)}
                onChange={() => onToggle(title.id)}
                className="h-4 w-4 accent-leaf"
              />
              <span className="font-mono text-[12px] text-soft">
                {frameToTimecode(title.startFrame, clock)}
              </span>
              <span className="truncate">
                {`${templateOf(title.editionId)?.name ?? ''}: ${Object.values(title.values).join(', ')}`}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}
