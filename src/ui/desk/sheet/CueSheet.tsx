'use client';
import { ChevronDownIcon, ChevronUpIcon } from '@heroicons/react/24/outline';
import { useEffect, useRef } from 'react';
import type { KeyboardEvent } from 'react';
import type { Column } from '@/core/project/cells';
import { fieldOf } from '@/core/project/cells';
import { FirstSteps } from '../../shared/FirstSteps';
import { classes } from '../../shared/classes';
import { numbersOf, useCellContext, useDesk, useDeskUi, useSelect, useTitles } from '../deskContext';
import { HEAD_PX, useRowsInView } from '../sheetRows';
import { CueRow } from './CueRow';
import { useGrid } from './useGrid';
import type { Grid } from './useGrid';
import { useSheetActions } from './useSheetActions';
import type { SheetFilter, SheetRows } from './useSheetRows';
import { useSheetRows } from './useSheetRows';

interface Props {
  readonly filter: SheetFilter;
  /** Shows a title in the picture. */
  readonly onShow: (titleId: string, frame?: number | null) => void;
}

const ROW_PX = 36;

const WIDTHS = { in: '104px', lasts: '78px', template: '124px' };

const NOTHING_LEFT = {
  stop: 'Nothing is left to fix.',
  look: 'Nothing is left to look at.',
  unseen: 'Nothing is left that could not be looked at.',
  waiting: 'Nothing is being looked at.',
  pass: 'No title is clear.',
};

/** How wide each column is: times and names as they need, words by what is left. */
function gridTemplate(columns: readonly Column[]): string {
  const widths = columns.map((column) => {
    if (column.kind === 'field') return column.at === 0 ? 'minmax(110px,1.5fr)' : 'minmax(90px,1.2fr)';
    return WIDTHS[column.kind];
  });
  return `38px ${widths.join(' ')} 176px`;
}

/** The cue sheet: a row a title, typed into, copied and filled like a spreadsheet. Only the rows in view are drawn. */
export function CueSheet({ filter, onShow }: Props) {
  const titles = useTitles();
  const context = useCellContext();
  const { rows, columns, sorted, sortBy } = useSheetRows(titles, filter, context);
  const scroller = useRef<HTMLDivElement>(null);
  const select = useSelect();
  const virtual = useRowsInView({ ids: rows, rowPx: ROW_PX, scroller });
  const grid = useGrid(
    rows,
    columns.length,
    (ids) => {
      select(...ids);
      onShow(ids[0]);
    },
    (row) => virtual.scrollToIndex(row, { align: 'auto' }),
  );
  const actions = useSheetActions(rows, columns, grid);
  useGoTo(grid, columns, rows);
  const chosen = useDeskUi((ui) => ui.selection);
  const numbers = numbersOf(titles);
  if (titles.length === 0) return <Empty />;
  const onKeyDown = (event: KeyboardEvent): void => {
    if (actions.onKey(event)) return;
    grid.onKey(event, Math.max(1, Math.floor((scroller.current?.clientHeight ?? 400) / ROW_PX) - 2));
  };
  const template = gridTemplate(columns);
  const selected = new Set(chosen);
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label="Cue sheet"
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length + 2}
      aria-multiselectable="true"
      className="min-h-0 flex-1 overflow-auto outline-none"
      onKeyDown={onKeyDown}
      onCopy={actions.onCopy}
      onCut={actions.onCut}
      onPaste={actions.onPaste}
    >
      <HeadRow columns={columns} template={template} sorted={sorted} sortBy={sortBy} />
      <div className="relative min-w-full" style={{ height: virtual.getTotalSize() }} role="rowgroup">
        {virtual.getVirtualItems().map((item) => {
          const title = rows[item.index];
          if (title === undefined) return null;
          return (
            <CueRow
              key={title.id}
              title={title}
              row={item.index}
              number={numbers.get(title.id) ?? 0}
              top={item.start}
              template={template}
              columns={columns}
              chosen={selected.has(title.id)}
              grid={grid}
              onProblem={actions.tell}
              onShow={onShow}
            />
          );
        })}
      </div>
      {rows.length === 0 && <p className="p-6 text-soft">{nothingFound(filter)}</p>}
    </div>
  );
}

function Empty() {
  // In a low window it scrolls, by keys too.
  return (
    <div role="region" aria-label="First steps" tabIndex={0} className="min-h-0 flex-1 overflow-y-auto">
      <FirstSteps here="desk">
        No titles yet. Move the playhead on the strip below and add one with “Title”, or choose “Fill from a
        sheet”.
      </FirstSteps>
    </div>
  );
}

function nothingFound({ words, template, proof }: SheetFilter): string {
  if (words !== '') return `No title says “${words}”.`;
  if (proof !== 'all') return NOTHING_LEFT[proof];
  return `No title uses “${template}”.`;
}

/** Goes to the cell that another part of the desk asked for, with its words selected. */
function useGoTo(grid: Grid, columns: readonly Column[], rows: SheetRows['rows']): void {
  const { ui } = useDesk();
  const context = useCellContext();
  const goTo = useDeskUi((state) => state.goTo);
  useEffect(() => {
    if (goTo === null) return;
    const title = rows.find((one) => one.id === goTo.titleId);
    if (title === undefined) return;
    const template = context.templateOf(title.editionId);
    const ofKind = (kind: string): number =>
      columns.findIndex((column) => fieldOf(template, column)?.kind === kind);
    // A list has no text, but its rows are its words.
    const words = ofKind('text') >= 0 ? ofKind('text') : ofKind('rows');
    const col =
      goTo.column === 'words'
        ? words
        : columns.findIndex(
            (column) => column.id === goTo.column || fieldOf(template, column)?.id === goTo.column,
          );
    ui.setState({ goTo: null });
    grid.go({ titleId: goTo.titleId, col: Math.max(0, col) });
  });
}

interface HeadProps extends Pick<SheetRows, 'columns' | 'sorted' | 'sortBy'> {
  readonly template: string;
}

function HeadRow({ columns, template, sorted, sortBy }: HeadProps) {
  return (
    <div
      role="row"
      className="sticky top-0 z-20 grid min-w-full border-y border-line bg-card"
      style={{ gridTemplateColumns: template, height: HEAD_PX }}
    >
      <span role="columnheader" className="caps self-center pl-2.5">
        <span className="sr-only">Number</span>
      </span>
      {columns.map((column) => {
        const way = sorted?.column === column.id ? sorted.way : null;
        return (
          <span
            key={column.id}
            role="columnheader"
            aria-sort={way === null ? 'none' : way === 'up' ? 'ascending' : 'descending'}
            className="flex min-w-0"
          >
            <button
              type="button"
              title={`Sort by ${column.label}`}
              onClick={() => sortBy(column)}
              className="caps flex min-w-0 flex-1 items-center gap-1 px-2 text-left hover:text-ink"
            >
              <span className="truncate">{column.label}</span>
              {way === 'up' && <ChevronUpIcon className="h-3 w-3 shrink-0" />}
              {way === 'down' && <ChevronDownIcon className="h-3 w-3 shrink-0" />}
            </button>
          </span>
        );
      })}
      <span role="columnheader" className={classes('caps self-center px-2')}>
        Proof
      </span>
    </div>
  );
}
