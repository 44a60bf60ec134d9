'use client';
import { closestCenter, DndContext } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import type { KeyboardEvent } from 'react';
import type { FrameFormat } from '@/core/frame/formats';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { creditWords } from '@/core/model/credits';
import type { CreditRow } from '@/core/model/credits';
import { Button } from '../../shared/Button';
import { useSortSensors } from '../../shared/useSortSensors';
import { useDesk, useDeskUi } from '../deskContext';
import { rowStep, SheetHead, useRowsInView } from '../sheetRows';
import { usePlaceTitle } from '../usePlaceTitle';
import { creditsLayer } from '@/core/project/titleCredits';
import { useCreditRows, useCreditTitle } from './creditContext';
import { CREDIT_COLUMNS, CreditSheetRow } from './CreditSheetRow';
import { useCreditActions } from './useCreditActions';
import type { CreditCell } from './useCreditActions';
import { useFollowRow } from './useFollowRow';

interface Props {
  /** Only rows with these words. */
  readonly words: string;
  /** Where a new title goes. */
  readonly frameNow: () => number;
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
  readonly onSeek: (frame: number) => void;
}

const ROW_PX = 38;
const HEADS = ['', 'Is', 'Role', 'Name or words'];
const RIGHT = ['Role'];

/** The rows of a title's credits: typed where they stand, pasted, dragged. Only the rows in view are drawn. */
export function CreditSheet({ words, frameNow, format, fonts, onSeek }: Props) {
  const { ui } = useDesk();
  const open = useCreditTitle();
  useFollowRow(open, format, fonts, onSeek);
  const titleId = open?.title.id;
  useEffect(() => {
    // What is sent or proofed from here is what lies open.
    if (titleId !== undefined && !ui.getState().selection.includes(titleId))
      ui.setState({ selection: [titleId] });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- when the sheet is opened; what is chosen later stays
  }, []);
  const all = useCreditRows();
  const actions = useCreditActions();
  const chosen = useDeskUi((state) => state.creditIds);
  const rows = useFiltered(all, words, chosen);
  const goTo = useDeskUi((state) => state.creditGoTo);
  const scroller = useRef<HTMLDivElement>(null);
  const sensors = useSortSensors();
  const virtual = useRowsInView({ ids: rows, rowPx: ROW_PX, scroller });
  const rowIds = useMemo(() => rows.map(({ id }) => id), [rows]);
  const numbers = useMemo(() => new Map(all.map(({ id }, i) => [id, i + 1])), [all]);
  const latest = useRef(rows);
  useEffect(() => {
    latest.current = rows;
  });
  const wanted = goTo?.id ?? chosen[0];
  useEffect(() => {
    const at = rows.findIndex(({ id }) => id === wanted);
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- when another row is gone to, not when rows change
  }, [wanted]);
  const go = useCallback(
    (id: string, by: number, cell: CreditCell | null): void => {
      const { current: now } = latest;
      const at = now.findIndex((row) => row.id === id);
      const next = now[Math.max(0, Math.min(now.length - 1, at + by))];
      if (next === undefined) return;
      ui.setState({ creditIds: [next.id], creditGoTo: cell === null ? null : { id: next.id, cell } });
    },
    [ui],
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.target !== event.currentTarget) return;
    const [first] = ui.getState().creditIds;
    const by = rowStep(event.key);
    const row = rows.find(({ id }) => id === first);
    if (by !== undefined && !event.altKey) go(first ?? '', by, null);
    else if (by !== undefined && Math.abs(by) === 1)
      actions.step(new Set(ui.getState().creditIds), by > 0 ? 1 : -1);
    else if ((event.key === 'Enter' || event.key === 'F2') && row !== undefined)
      ui.setState({ creditGoTo: { id: row.id, cell: row.kind === 'role' ? 'role' : 'name' } });
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  if (open === null) return <NoCredits frameNow={frameNow} />;
  const selected = new Set(chosen);
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label={`Credits, ${open.template.name}`}
      aria-rowcount={rows.length + 1}
      aria-colcount={4}
      aria-multiselectable="true"
      tabIndex={0}
      className="min-h-0 flex-1 overflow-auto outline-none focus-visible:shadow-[inset_0_0_0_2px_var(--leaf)]"
      onKeyDown={onKeyDown}
    >
      <SheetHead heads={HEADS} columns={CREDIT_COLUMNS} right={RIGHT} />
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          if (over === null || active.id === over.id) return;
          const ids = selected.has(String(active.id)) ? selected : new Set([String(active.id)]);
          const at = all.findIndex(({ id }) => id === over.id);
          const isDown = all.findIndex(({ id }) => id === active.id) < at;
          actions.moveBefore(
            ids,
            isDown ? (all.slice(at + 1).find(({ id }) => !ids.has(id))?.id ?? null) : String(over.id),
          );
        }}
      >
        <SortableContext items={rowIds} strategy={verticalListSortingStrategy}>
          <div className="relative min-w-full" style={{ height: virtual.getTotalSize() }} role="rowgroup">
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index];
              if (row === undefined) return null;
              return (
                <CreditSheetRow
                  key={row.id}
                  row={row}
                  index={item.index}
                  number={numbers.get(row.id) ?? 0}
                  goesOn={row.kind === 'role' && row.role === '' && rows[item.index - 1]?.kind === 'role'}
                  top={item.start}
                  height={ROW_PX}
                  chosen={selected.has(row.id)}
                  goTo={goTo?.id === row.id ? goTo.cell : null}
                  actions={actions}
                  onGo={go}
                />
              );
            })}
          </div>
        </SortableContext>
      </DndContext>
      {rows.length === 0 && (
        <p className="max-w-xl p-6 text-soft">
          {all.length === 0
            ? 'Nothing typed yet. Add a row, or paste a list of roles and names with “Read a list”.'
            : 'No row says that.'}
        </p>
      )}
    </div>
  );
}

/** The rows with some words; a chosen one stays, whatever is typed into it, and so does one that is new. */
function useFiltered(
  rows: readonly CreditRow[],
  words: string,
  chosen: readonly string[],
): readonly CreditRow[] {
  return useMemo(() => {
    const wanted = words.trim().toLowerCase();
    if (wanted === '') return rows;
    const stays = new Set(chosen);
    return rows.filter((row) => stays.has(row.id) || creditWords(row).toLowerCase().includes(wanted));
  }, [rows, words, chosen]);
}

/** What is offered where no title has credits yet: the templates that can show some. */
function NoCredits({ frameNow }: Pick<Props, 'frameNow'>) {
  const { newest } = useDesk();
  const place = usePlaceTitle();
  const fitting = [...newest.values()].filter(({ document }) => creditsLayer(document) !== undefined);
  return (
    <div className="p-6 text-soft">
      <p className="max-w-xl pb-3">
        {fitting.length === 0
          ? 'No published template shows credits. Design one on the bench with a layer of credits, and publish it.'
          : 'This project has no credits. They begin at the playhead, by one of these templates:'}
      </p>
      <span className="flex flex-wrap gap-2">
        {fitting.map(({ id, document }) => (
          <Button key={id} onClick={() => place(id, { kind: 'playhead', frame: frameNow() })}>
            {document.name}
          </Button>
        ))}
      </span>
    </div>
  );
}
