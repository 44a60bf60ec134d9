'use client';
import { PlusIcon, XMarkIcon } from '@heroicons/react/24/outline';
import type { CreditRow } from '@/core/model/credits';
import { MOST_CREDIT_PICTURES } from '@/core/model/credits';
import { NumberBox } from '../../shared/NumberBox';
import { PictureBox } from '../../shared/PictureBox';
import { VIDEOS_FOR_TITLES } from '../media';
import type { CreditActions } from './useCreditActions';

interface Props {
  readonly row: Extract<CreditRow, { kind: 'pictures' | 'gap' | 'beside' }>;
  readonly number: number;
  readonly actions: CreditActions;
}

/** The cells of a row that has no words: pictures, a gap, a picture or a video beside the credits. */
export function CreditOther({ row, number, actions }: Props) {
  if (row.kind === 'gap')
    return (
      <div role="gridcell" className="col-span-2 flex items-center gap-2 px-2">
        <span className="w-28">
          <NumberBox
            label={`Empty lines of row ${number}`}
            value={row.lines}
            unit="lines"
            min={0}
            max={100}
            step={0.5}
            onChange={(lines) => actions.change(row.id, (now) => ({ ...now, lines }) as CreditRow)}
          />
        </span>
      </div>
    );
  return row.kind === 'pictures' ? (
    <Pictures row={row} number={number} actions={actions} />
  ) : (
    <Beside row={row} number={number} actions={actions} />
  );
}

function Pictures({
  row,
  number,
  actions,
}: Omit<Props, 'row'> & { readonly row: Extract<CreditRow, { kind: 'pictures' }> }) {
  const set = (assets: readonly string[]): void =>
    actions.change(row.id, (now) => (now.kind === 'pictures' ? { ...now, assets } : now));
  return (
    <div role="gridcell" className="col-span-2 flex items-center gap-2 overflow-x-auto px-2">
      {row.assets.map((asset, i) => (
        <span key={i} className="flex w-44 shrink-0 items-center">
          <PictureBox
            label={`Picture ${i + 1} of row ${number}`}
            value={asset}
            onChange={(next) => set(row.assets.with(i, next))}
          />
          <button
            type="button"
            aria-label={`Take out picture ${i + 1} of row ${number}`}
            onClick={() => set(row.assets.toSpliced(i, 1))}
            className="grid h-7 w-6 shrink-0 place-items-center text-soft hover:text-ink"
          >
            <XMarkIcon className="h-3.5 w-3.5" />
          </button>
        </span>
      ))}
      <button
        type="button"
        disabled={row.assets.length >= MOST_CREDIT_PICTURES}
        onClick={() => set([...row.assets, ''])}
        className="flex shrink-0 items-center gap-1 font-semibold text-leaf-ink disabled:opacity-50"
      >
        <PlusIcon className="h-3.5 w-3.5" /> Picture
      </button>
    </div>
  );
}

function Beside({
  row,
  number,
  actions,
}: Omit<Props, 'row'> & { readonly row: Extract<CreditRow, { kind: 'beside' }> }) {
  const set = (change: Partial<typeof row>): void =>
    actions.change(row.id, (now) => (now.kind === 'beside' ? { ...now, ...change } : now));
  const box = 'h-7 rounded-md border border-line-strong bg-field px-1.5';
  return (
    <div role="gridcell" className="col-span-2 flex items-center gap-2 overflow-x-auto px-2">
      <span className="w-44 shrink-0">
        <PictureBox
          label={`Picture or video of row ${number}`}
          value={row.asset}
          onChange={(asset) => set({ asset })}
          videos={VIDEOS_FOR_TITLES}
        />
      </span>
      <select
        aria-label={`Side of row ${number}`}
        value={row.side}
        onChange={(event) => set({ side: event.target.value === 'left' ? 'left' : 'right' })}
        className={box}
      >
        <option value="left">on the left</option>
        <option value="right">on the right</option>
      </select>
      <Seconds
        label={`When the picture of row ${number} comes`}
        none="with its row"
        some="at"
        first={0}
        value={row.atSeconds}
        onChange={(atSeconds) => set({ atSeconds })}
      />
      <Seconds
        label={`How long the picture of row ${number} stands`}
        none="while it is seen"
        some="for"
        first={6}
        value={row.forSeconds}
        onChange={(forSeconds) => set({ forSeconds })}
      />
    </div>
  );
}

interface SecondsProps {
  readonly label: string;
  readonly none: string;
  readonly some: string;
  readonly first: number;
  readonly value: number | null;
  readonly onChange: (value: number | null) => void;
}

function Seconds({ label, none, some, first, value, onChange }: SecondsProps) {
  return (
    <span className="flex shrink-0 items-center gap-1">
      <select
        aria-label={label}
        value={value === null ? 'none' : 'some'}
        onChange={(event) => onChange(event.target.value === 'none' ? null : first)}
        className={`h-7 rounded-md border border-line-strong bg-field px-1.5 ${value === null ? '' : 'w-[4.25rem]'}`}
      >
        <option value="none">{none}</option>
        <option value="some">{some} …</option>
      </select>
      {value !== null && (
        <span className="w-20">
          <NumberBox
            label={`${label}, seconds`}
            value={value}
            unit="s"
            min={some === 'for' ? 0.1 : 0}
            max={3600}
            step={0.5}
            onChange={onChange}
          />
        </span>
      )}
    </span>
  );
}
