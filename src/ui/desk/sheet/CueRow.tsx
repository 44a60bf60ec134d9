'use client';
import { memo } from 'react';
import type { PointerEvent } from 'react';
import type { Delivery } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import type { CellContext, Column } from '@/core/project/cells';
import { cellText, fieldOf } from '@/core/project/cells';
import { titleIn } from '@/core/project/deliver';
import { classes } from '../../shared/classes';
import { chosenByClick, isOneMore } from '../chosenByClick';
import { useCellContext, useDelivery, useDesk, useSelect } from '../deskContext';
import { FindingPill } from '../proof/FindingPill';
import { CellInput } from './CellInput';
import type { Grid } from './useGrid';

interface Props {
  readonly title: Title;
  /** Its place among the rows that are shown. */
  readonly row: number;
  /** Its number in the project. */
  readonly number: number;
  readonly top: number;
  readonly template: string;
  readonly columns: readonly Column[];
  readonly chosen: boolean;
  readonly grid: Grid;
  readonly onProblem: (message: string) => void;
  /** Shows the title in the picture. */
  readonly onShow: (titleId: string, frame?: number | null) => void;
}

/** One title of the cue sheet. */
export const CueRow = memo(function CueRow({
  title,
  row,
  number,
  top,
  template,
  columns,
  chosen,
  grid,
  onProblem,
  onShow,
}: Props) {
  const context = useCellContext();
  const delivery = useDelivery();
  const { active, range } = grid;
  const inRange = range !== null && row >= range.firstRow && row <= range.lastRow;
  const absent = titleIn(title, delivery.id) === null;
  return (
    <div
      role="row"
      aria-rowindex={row + 2}
      aria-selected={chosen}
      className={classes(
        'absolute inset-x-0 grid min-w-full border-b border-line',
        chosen ? 'bg-leaf-wash shadow-[inset_3px_0_0_var(--leaf)]' : 'hover:bg-card',
      )}
      style={{ top, height: 36, gridTemplateColumns: template }}
    >
      <RowHead title={title} number={number} onShow={onShow} />
      {columns.map((column, col) => {
        const isActive = active?.titleId === title.id && active.col === col;
        return (
          <Cell
            key={column.id}
            title={title}
            column={column}
            col={col}
            row={row}
            context={context}
            delivery={delivery}
            active={isActive}
            chosen={inRange && range.firstCol <= col && col <= range.lastCol && !isSingle(range)}
            grid={grid}
            onProblem={onProblem}
          />
        );
      })}
      <div role="gridcell" className="flex min-w-0 items-center px-2">
        {absent ? (
          <span className="truncate text-[12px] text-soft">not in {delivery.name}</span>
        ) : (
          <FindingPill titleId={title.id} onShow={onShow} />
        )}
      </div>
    </div>
  );
}, sameRow);

/** A row is drawn again when something of it changes, or when the active cell or the chosen ones come or go in it. */
function sameRow(before: Props, after: Props): boolean {
  const keys = ['title', 'row', 'number', 'top', 'template', 'columns', 'chosen', 'onShow'] as const;
  return keys.every((key) => before[key] === after[key]) && !touches(before) && !touches(after);
}

function touches({ grid: { active, range }, title, row }: Props): boolean {
  return active?.titleId === title.id || (range !== null && row >= range.firstRow && row <= range.lastRow);
}

const isSingle = (range: NonNullable<Grid['range']>): boolean =>
  range.firstRow === range.lastRow && range.firstCol === range.lastCol;

/** The number of a row; a click chooses the whole title, with Shift up to it, with Ctrl one more or less. */
const RowHead = memo(function RowHead({ title, number, onShow }: Pick<Props, 'title' | 'number' | 'onShow'>) {
  const { ui, store } = useDesk();
  const select = useSelect();
  const choose = (event: PointerEvent | React.MouseEvent): void => {
    if (!isOneMore(event)) onShow(title.id);
    const ids = store.getState().titles.map(({ id }) => id);
    select(...chosenByClick(event, ui.getState().selection, title.id, ids));
  };
  return (
    <div role="rowheader" className="flex items-center justify-end">
      <button
        type="button"
        tabIndex={-1}
        aria-label={`Choose title ${number}`}
        onClick={choose}
        className="h-full w-full pr-2 text-right font-mono text-[11.5px] text-soft hover:text-ink"
      >
        {number}
      </button>
    </div>
  );
});

interface CellProps {
  readonly title: Title;
  readonly column: Column;
  readonly row: number;
  readonly col: number;
  readonly context: CellContext;
  readonly delivery: Delivery;
  readonly active: boolean;
  readonly chosen: boolean;
  readonly grid: Grid;
  readonly onProblem: (message: string) => void;
}

function Cell({ title, column, row, col, context, delivery, active, chosen, grid, onProblem }: CellProps) {
  const template = context.templateOf(title.editionId);
  const field = fieldOf(template, column);
  const text = cellText(title, column, context);
  const label = `${field?.label ?? column.label}, row ${row + 1}`;
  const here = field === undefined ? undefined : title.perDelivery[delivery.id]?.values[field.id];
  const designed = field !== undefined && title.values[field.id] === undefined;
  const look = classes(
    'flex h-full min-w-0 items-center',
    column.kind === 'in' || column.kind === 'lasts' ? 'font-mono text-[12.5px]' : '',
    column.kind === 'field' && (column.at === 0 ? 'font-semibold' : 'text-soft'),
    designed && 'italic',
  );
  return (
    <div
      role="gridcell"
      aria-label={active ? undefined : `${label}: ${text}`}
      aria-selected={active || chosen}
      className={classes(
        look,
        chosen && !active && 'bg-leaf-light/25',
        active && 'outline-2 -outline-offset-2 outline-leaf',
      )}
      onPointerDown={(event) => {
        if (event.button !== 0 || active) return;
        // The box that appears under the pointer takes the focus itself.
        event.preventDefault();
        grid.go({ titleId: title.id, col }, { extend: event.shiftKey });
      }}
      onPointerEnter={(event) => {
        const sheet = event.currentTarget.closest('[role="grid"]');
        if (event.buttons === 1 && !active && sheet?.contains(document.activeElement) === true)
          grid.go({ titleId: title.id, col }, { extend: true });
      }}
      onDoubleClick={() => grid.go({ titleId: title.id, col }, { edit: true })}
    >
      {active ? (
        <CellInput
          title={title}
          column={column}
          field={field}
          text={text}
          label={label}
          grid={grid}
          onProblem={onProblem}
        />
      ) : (
        <>
          <span className="truncate px-2" dir={column.kind === 'field' ? 'auto' : undefined}>
            {text.replaceAll('\n', ' · ')}
          </span>
          {here !== undefined && <Otherwise delivery={delivery.name} says={String(here)} />}
        </>
      )}
    </div>
  );
}

/** Marks words that the shown delivery says otherwise; the sheet has what is said in the others. */
function Otherwise({ delivery, says }: { readonly delivery: string; readonly says: string }) {
  const words = `In ${delivery}: “${says}”`;
  return (
    <span
      role="img"
      aria-label={words}
      title={words}
      className="mr-1.5 ml-auto h-2 w-2 shrink-0 rotate-45 bg-leaf"
    />
  );
}
