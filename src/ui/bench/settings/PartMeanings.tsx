'use client';
import { updateLayer } from '@/core/edit/editTemplate';
import type { PartMeaning, TextLayer } from '@/core/model/template';
import { sameValue } from '@/core/kit/sameValue';
import { meaningOf, naturalMeaning } from '@/core/text/runs';
import { SelectBox } from '../../shared/SelectBox';
import { useApply } from '../state/benchStore';

/** What each part that is styled apart stands for when an editor types other words. */
export function PartMeanings({ layer }: { readonly layer: TextLayer }) {
  const apply = useApply();
  const { runs } = layer;
  const choose = (index: number, means: PartMeaning): void =>
    apply((now) =>
      updateLayer(now, layer.id, (one) => {
        if (one.kind !== 'text') return one;
        const run = one.runs[index];
        if (!sameValue(naturalMeaning(one.runs, index), means))
          return { ...one, runs: one.runs.with(index, { ...run, means }) };
        const { means: _, ...plain } = run;
        return { ...one, runs: one.runs.with(index, plain) };
      }),
    );
  const parts = runs.flatMap((run, index) => (run.style === undefined ? [] : [{ run, index }]));
  if (parts.length === 0) return null;
  return (
    <ul className="grid gap-1 pt-1" aria-label="Parts styled apart">
      {parts.map(({ run, index }) => {
        const means = meaningOf(runs, index);
        const words = run.text.trim();
        const name = words.length > 16 ? `${words.slice(0, 15)}…` : words;
        return (
          <li key={index}>
            <div className="grid grid-cols-[1fr_150px] items-center gap-2">
              <span className="truncate" title={words}>
                “{name}” is
              </span>
              <SelectBox
                label={`“${name}” stands for`}
                value={keyOf(means)}
                choices={choicesFor(runs, index, means).map((one) => ({
                  value: keyOf(one),
                  label: labelOf(one),
                }))}
                onChange={(key) => {
                  const chosen = choicesFor(runs, index, means).find((one) => keyOf(one) === key);
                  if (chosen !== undefined) choose(index, chosen);
                }}
              />
            </div>
            {means.kind === 'words' && (
              <p className="text-[12px] text-stop">
                Other words have no such part: only where an editor types “{name}” is it styled. Style a whole
                word or line, or choose what it stands for.
              </p>
            )}
          </li>
        );
      })}
    </ul>
  );
}

const keyOf = (means: PartMeaning): string => JSON.stringify(means);

function choicesFor(runs: TextLayer['runs'], index: number, chosen: PartMeaning): readonly PartMeaning[] {
  const lines = runs
    .map((run) => run.text)
    .join('')
    .split('\n').length;
  const numbers = Array.from({ length: lines }, (_, i) => i + 1);
  const offered: PartMeaning[] = [
    chosen,
    naturalMeaning(runs, index),
    { kind: 'whole' },
    { kind: 'firstWord' },
    { kind: 'lastWord' },
    ...numbers.map((number): PartMeaning => ({ kind: 'line', number })),
    { kind: 'line', number: -1 },
    ...(lines > 1 ? [{ kind: 'linesFrom', number: 2 } as const] : []),
    { kind: 'between', open: '*', close: '*' },
    { kind: 'between', open: '(', close: ')' },
    { kind: 'words' },
  ];
  return offered.filter((one, i) => offered.findIndex((other) => sameValue(one, other)) === i);
}

function labelOf(means: PartMeaning): string {
  switch (means.kind) {
    case 'whole':
      return 'The whole text';
    case 'line':
      return means.number === -1 ? 'The last line' : `Line ${means.number}`;
    case 'linesFrom':
      return `Line ${means.number} and on`;
    case 'firstWord':
      return 'The first word';
    case 'lastWord':
      return 'The last word';
    case 'between':
      return `Between ${means.open} and ${means.close}`;
    case 'words':
      return 'Only these letters';
  }
}
