'use client';
import { useSortable } from '@dnd-kit/sortable';
import { nanoid } from 'nanoid';
import { memo, useEffect, useRef } from 'react';
import type { ClipboardEvent, KeyboardEvent, MouseEvent } from 'react';
import { textToCredits } from '@/core/credits/creditText';
import { wordsOf } from '@/core/credits/editCredits';
import type { CreditKind, CreditRow } from '@/core/model/credits';
import { CREDIT_KINDS } from '@/core/model/credits';
import { classes } from '../../shared/classes';
import { chosenByClick } from '../chosenByClick';
import { useDesk } from '../deskContext';
import { useCreditRows } from './creditContext';
import { CREDIT_KIND_LABELS } from './creditKindLabels';
import { CreditOther } from './CreditOther';
import type { CreditActions, CreditCell } from './useCreditActions';

/** How wide the columns are: number, kind, role, name. */
export const CREDIT_COLUMNS = '56px 132px minmax(140px, 2fr) minmax(200px, 3fr)';

interface Props {
  readonly row: CreditRow;
  readonly index: number;
  readonly number: number;
  /** Whether it is one more name of the role above. */
  readonly goesOn: boolean;
  readonly top: number;
  readonly height: number;
  readonly chosen: boolean;
  /** The cell that the keys should go to. */
  readonly goTo: CreditCell | null;
  readonly actions: CreditActions;
  readonly onGo: (id: string, by: number, cell: CreditCell | null) => void;
}

/** One row of credits, with its cells. */
export const CreditSheetRow = memo(function CreditSheetRow(props: Props) {
  const { row, index, number, goesOn, top, height, chosen, goTo, actions, onGo } = props;
  const { ui } = useDesk();
  const { setNodeRef, attributes, listeners, transform, isDragging } = useSortable({ id: row.id });
  const choose = (): void => {
    if (!ui.getState().creditIds.includes(row.id) || ui.getState().creditIds.length > 1)
      ui.setState({ creditIds: [row.id] });
  };
  const shift = transform === null ? '' : `translateY(${Math.round(transform.y)}px)`;
  const cell = { row, number, goTo, actions, onGo, onFocus: choose };
  return (
    <div
      ref={setNodeRef}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={chosen}
      className={classes(
        'absolute inset-x-0 grid min-w-full items-center border-b border-line',
        isDragging ? 'z-10 bg-card shadow-md' : '',
        chosen ? 'bg-leaf-wash shadow-[inset_3px_0_0_var(--leaf)]' : 'hover:bg-card',
      )}
      style={{ top, height, gridTemplateColumns: CREDIT_COLUMNS, transform: shift }}
    >
      <RowHead row={row} number={number} handle={{ ...attributes, ...listeners }} />
      <div role="gridcell" className="px-1.5">
        <select
          aria-label={`Kind of row ${number}`}
          value={row.kind}
          tabIndex={-1}
          onChange={(event) => {
            const kind = CREDIT_KINDS.find((one) => one === event.target.value);
            const ids = ui.getState().creditIds;
            const all = new Set(ids.includes(row.id) ? ids : [row.id]);
            if (kind !== undefined) actions.setKind(all, kind);
          }}
          className="h-7 w-full rounded-md border border-transparent bg-transparent px-1 text-soft hover:border-line-strong focus:border-leaf"
        >
          {CREDIT_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {CREDIT_KIND_LABELS[kind]}
            </option>
          ))}
        </select>
      </div>
      {row.kind === 'role' && <Cell {...cell} column="role" placeholder={goesOn ? 'as above' : 'Role'} />}
      {'name' in row && row.kind !== 'role' && <div role="gridcell" />}
      {'name' in row && (
        <Cell
          {...cell}
          column="name"
          placeholder={row.kind === 'heading' ? 'Heading' : row.kind === 'paragraph' ? 'Words' : 'Name'}
        />
      )}
      {!('name' in row) && <CreditOther row={row} number={number} actions={actions} />}
    </div>
  );
});

/** The number of a row; a click chooses it, with Shift up to it, with Ctrl one more or less; dragged, it moves. */
function RowHead({ row, number, handle }: Pick<Props, 'row' | 'number'> & { readonly handle: object }) {
  const { ui } = useDesk();
  const rows = useCreditRows();
  const choose = (event: MouseEvent<HTMLElement>): void => {
    const ids = rows.map(({ id }) => id);
    ui.setState({ creditIds: chosenByClick(event, ui.getState().creditIds, row.id, ids), creditGoTo: null });
    // The keys are the sheet's then: on the handle, Space would pick the row up.
    event.currentTarget.closest<HTMLElement>('[role="grid"]')?.focus();
  };
  return (
    <div role="rowheader" className="h-full">
      <button
        type="button"
        {...handle}
        tabIndex={-1}
        aria-label={`Choose row ${number}`}
        title="Click to choose, drag to move"
        onClick={choose}
        className="h-full w-full cursor-grab touch-none pr-2 text-right font-mono text-[11.5px] text-soft hover:text-ink"
      >
        {number}
      </button>
    </div>
  );
}

interface CellProps extends Pick<Props, 'row' | 'number' | 'goTo' | 'actions' | 'onGo'> {
  readonly column: CreditCell;
  readonly placeholder: string;
  readonly onFocus: () => void;
}

/** Words of a row. Enter begins the next row, Alt with the arrows moves this one, a list that is pasted comes in as rows. */
function Cell({ row, number, goTo, actions, onGo, column, placeholder, onFocus }: CellProps) {
  const { ui } = useDesk();
  const box = useRef<HTMLInputElement>(null);
  const wanted = goTo === column || (goTo === 'role' && row.kind !== 'role');
  useEffect(() => {
    if (!wanted || box.current === null) return;
    box.current.focus({ preventScroll: true });
    box.current.select();
    ui.setState({ creditGoTo: null });
  }, [wanted, ui]);
  const value = wordsOf(row)[column];
  const paste = (event: ClipboardEvent): void => {
    const text = event.clipboardData.getData('text/plain');
    if (!/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    const rows = textToCredits(text).rows.map((one) => ({ ...one, id: nanoid(8) }));
    actions.insert(rows, row.id);
    const { role, name } = wordsOf(row);
    // What was empty makes way for what was pasted.
    if (role === '' && name === '') actions.remove(new Set([row.id]));
  };
  return (
    <div role="gridcell" className="px-1">
      <input
        ref={box}
        aria-label={`${column === 'role' ? 'Role' : 'Words'} of row ${number}`}
        dir="auto"
        value={value.replaceAll('\n', ' ¶ ')}
        placeholder={placeholder}
        maxLength={2000}
        onFocus={onFocus}
        onChange={(event) => {
          const words = event.target.value.replaceAll(/\s?¶\s?/g, row.kind === 'paragraph' ? '\n' : ' ');
          actions.change(row.id, (now) => ({ ...now, [column]: words }));
        }}
        onPaste={paste}
        onKeyDown={(event) => onCellKey(event, { row, number, column, actions, onGo })}
        className={classes(
          'h-7 w-full min-w-0 rounded-md border border-transparent bg-transparent px-1.5 hover:border-line-strong focus:border-leaf focus:bg-field',
          row.kind === 'heading' ? 'font-semibold' : '',
          column === 'role' ? 'text-right' : '',
        )}
      />
    </div>
  );
}

type KeyContext = Pick<CellProps, 'row' | 'number' | 'column' | 'actions' | 'onGo'>;

function onCellKey(event: KeyboardEvent<HTMLInputElement>, context: KeyContext): void {
  const act = cellAct(event, context);
  if (act === null) return;
  event.preventDefault();
  event.stopPropagation();
  act();
}

function cellAct(
  event: KeyboardEvent<HTMLInputElement>,
  { row, number, column, actions, onGo }: KeyContext,
): (() => void) | null {
  const box = event.currentTarget;
  const isMod = event.ctrlKey || event.metaKey;
  if (event.key === 'Escape') return () => box.closest<HTMLElement>('[role="grid"]')?.focus();
  if (event.key === 'Enter' && !isMod && !event.nativeEvent.isComposing)
    return () => actions.add(after(row.kind), row.id);
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
  if (by !== 0 && event.altKey) return () => actions.step(new Set([row.id]), by);
  if (by !== 0 && !isMod && !event.shiftKey) return () => onGo(row.id, by, column);
  const { role, name } = wordsOf(row);
  if (event.key === 'Backspace' && role === '' && name === '')
    return () => {
      actions.remove(new Set([row.id]));
      // Into the row above, of the first into the one below.
      onGo(row.id, number === 1 ? 1 : -1, column);
    };
  return null;
}

/** What the row after one is likely to be. */
function after(kind: CreditKind): CreditKind {
  return kind === 'heading' || kind === 'role' ? 'role' : kind === 'name' ? 'name' : 'heading';
}
