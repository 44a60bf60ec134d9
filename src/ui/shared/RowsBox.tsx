'use client';
import { ChevronUpIcon, PlusIcon, XMarkIcon } from '@heroicons/react/24/outline';
import type { ClipboardEvent } from 'react';

interface Props {
  readonly label: string;
  /** One row a line, its cells parted by tabs. */
  readonly value: string;
  readonly columns: number;
  readonly onChange: (value: string) => void;
  readonly most?: number;
}

const split = (value: string, columns: number): string[][] =>
  value.split('\n').map((line) => {
    const cells = line.split('\t');
    return Array.from({ length: columns }, (_, i) => cells[i] ?? '');
  });
const join = (rows: readonly (readonly string[])[]): string =>
  rows.map((cells) => cells.join('\t')).join('\n');
const clean = (cell: string): string => cell.replace(/[\t\r\n]+/g, ' ');

/** A list of rows with a cell for each column. Cells copied from a spreadsheet are pasted as rows. */
export function RowsBox({ label, value, columns, onChange, most = 100 }: Props) {
  const rows = split(value, columns);
  const set = (next: readonly (readonly string[])[]): void => onChange(join(next.slice(0, most)));
  const move = (from: number, to: number): void => {
    const without = rows.toSpliced(from, 1);
    set(without.toSpliced(to, 0, rows[from]));
  };
  const paste = (event: ClipboardEvent, row: number, column: number): void => {
    const text = event.clipboardData.getData('text/plain').replace(/\r\n?/g, '\n').replace(/\n$/, '');
    if (!/[\t\n]/.test(text)) return;
    event.preventDefault();
    const pasted = text.split('\n').map((line) => line.split('\t').map(clean));
    const next = rows.map((cells) => [...cells]);
    for (const [i, cells] of pasted.entries()) {
      const target = (next[row + i] ??= new Array<string>(columns).fill(''));
      for (const [k, cell] of cells.entries()) if (column + k < columns) target[column + k] = cell;
    }
    set(next);
  };
  const icon =
    'grid h-6 w-6 shrink-0 place-items-center rounded text-soft hover:text-ink disabled:opacity-30';
  return (
    <div role="group" aria-label={label} className="grid gap-1">
      {rows.map((cells, i) => (
        <div key={i} className="flex items-center gap-1">
          {cells.map((cell, k) => (
            <input
              key={k}
              aria-label={`${label}, row ${i + 1}${columns > 1 ? `, cell ${k + 1}` : ''}`}
              dir="auto"
              value={cell}
              onChange={(event) => set(rows.with(i, cells.with(k, clean(event.target.value))))}
              onPaste={(event) => paste(event, i, k)}
              onKeyDown={(event) => {
                if (event.key === 'Enter') set(rows.toSpliced(i + 1, 0, new Array<string>(columns).fill('')));
              }}
              className="h-7 w-full min-w-0 rounded-md border border-line-strong bg-field px-1.5"
            />
          ))}
          <button
            type="button"
            className={icon}
            aria-label={`Row ${i + 1} up`}
            title="One row up"
            disabled={i === 0}
            onClick={() => move(i, i - 1)}
          >
            <ChevronUpIcon className="h-3.5 w-3.5" />
          </button>
          <button
            type="button"
            className={icon}
            aria-label={`Take out row ${i + 1}`}
            disabled={rows.length === 1}
            onClick={() => set(rows.toSpliced(i, 1))}
          >
            <XMarkIcon className="h-3.5 w-3.5" />
          </button>
        </div>
      ))}
      <button
        type="button"
        disabled={rows.length >= most}
        onClick={() => set([...rows, new Array<string>(columns).fill('')])}
        className="flex items-center gap-1 py-0.5 text-left font-semibold text-leaf-ink disabled:opacity-50"
      >
        <PlusIcon className="h-3.5 w-3.5" /> Row
      </button>
    </div>
  );
}
