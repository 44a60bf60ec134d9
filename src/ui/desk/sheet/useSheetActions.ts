'use client';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { nanoid } from 'nanoid';
import { toast } from 'sonner';
import { readClipboard, writeClipboard } from '@/core/formats/csv/csv';
import type { CellWrite } from '@/core/project/cellRanges';
import { clearWrites, fillDownWrites, pasteWrites, readCells, writeCells } from '@/core/project/cellRanges';
import type { Column } from '@/core/project/cells';
import { titlesAfter } from '@/core/project/placeTitle';
import { counted } from '../../shared/counted';
import { useCellContext, useDesk } from '../deskContext';
import type { Titles } from '../deskStore';
import type { Grid } from './useGrid';

export interface SheetActions {
  onCopy(event: ClipboardEvent): void;
  onCut(event: ClipboardEvent): void;
  onPaste(event: ClipboardEvent): void;
  /** Handles a key that acts on the chosen cells; says whether it was one. */
  onKey(event: KeyboardEvent): boolean;
  tell(message: string): void;
}

const MOST_TOLD = 4;

/** What can be done with the chosen cells: copy, cut, paste, clear, fill down, write one text into all. */
export function useSheetActions(rows: Titles, columns: readonly Column[], grid: Grid): SheetActions {
  const { store } = useDesk();
  const context = useCellContext();
  const { range, editing } = grid;
  const chosenRows = range === null ? [] : rows.slice(range.firstRow, range.lastRow + 1);
  const chosenColumns = range === null ? [] : columns.slice(range.firstCol, range.lastCol + 1);
  const many = chosenRows.length * chosenColumns.length > 1;
  const write = (writes: readonly CellWrite[], fresh: Titles = []): void => {
    let problems: readonly string[] = [];
    store.grouping.begin();
    store.getState().apply((titles) => {
      const written = writeCells([...titles, ...fresh], writes, context);
      problems = written.problems;
      return written.titles;
    });
    store.grouping.end();
    if (problems.length === 0) return;
    const more = problems.length > MOST_TOLD ? [`and ${problems.length - MOST_TOLD} more`] : [];
    toast.error([...problems.slice(0, MOST_TOLD), ...more].join('\n'), { duration: 12_000 });
  };
  const onCopy = (event: ClipboardEvent): void => {
    if (range === null || (editing && !many)) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', writeClipboard(readCells(chosenRows, chosenColumns, context)));
  };
  return {
    onCopy,
    onCut(event) {
      if (range === null || (editing && !many)) return;
      onCopy(event);
      write(clearWrites(chosenRows, chosenColumns, context));
    },
    onPaste(event) {
      if (range === null) return;
      const text = event.clipboardData.getData('text/plain');
      if (editing && !/[\t\n]/.test(text)) return;
      event.preventDefault();
      const block = readClipboard(text);
      const beyond = range.firstRow + block.length - rows.length;
      const last = rows.at(-1);
      // What is pasted below the last row makes new titles, and says so: undo takes them away again.
      const more = beyond > 0 && last !== undefined ? titlesAfter(last, beyond, () => nanoid(12)) : [];
      if (block.length > 0) write(pasteWrites(block, [...rows, ...more], columns, range), more);
      if (more.length > 0)
        toast(`${counted(more.length, 'title was', 'titles were')} made of the rows below the last.`);
    },
    onKey(event) {
      const key = event.key.toLowerCase();
      const mod = event.ctrlKey || event.metaKey;
      const act = (work: () => void): boolean => {
        event.preventDefault();
        event.stopPropagation();
        work();
        return true;
      };
      if (mod && key === 'd' && !event.shiftKey)
        return act(() => write(fillDownWrites(chosenRows, chosenColumns, context)));
      // All of the cell's words, never all titles: a Delete after it would take those away.
      if (mod && key === 'a') {
        event.stopPropagation();
        return true;
      }
      if (mod && key === 'enter' && many && grid.active !== null) {
        const [text] = readCells(
          rows.filter((title) => title.id === grid.active?.titleId),
          [columns[grid.active.col]],
          context,
        );
        const column = columns[grid.active.col];
        return act(() => write(chosenRows.map(({ id }) => ({ titleId: id, column, text: text[0] }))));
      }
      if ((key === 'delete' || key === 'backspace') && !editing && range !== null)
        return act(() => write(clearWrites(chosenRows, chosenColumns, context)));
      return false;
    },
    tell: (message) => void toast.error(message),
  };
}
