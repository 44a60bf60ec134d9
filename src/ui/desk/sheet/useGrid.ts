'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent } from 'react';
import type { Titles } from '../deskStore';

/** A cell by its title and its column's number. */
interface CellAt {
  readonly titleId: string;
  readonly col: number;
}

/** The rectangle of chosen cells, by row and column numbers, all inclusive. */
interface CellRange {
  readonly firstRow: number;
  readonly lastRow: number;
  readonly firstCol: number;
  readonly lastCol: number;
}

export interface Grid {
  readonly active: CellAt | null;
  readonly range: CellRange | null;
  /** Whether keys go into the words of the active cell rather than between cells. */
  readonly editing: boolean;
  /** Whether the active cell takes the keyboard when it is shown. */
  readonly focused: boolean;
  rowOf(titleId: string): number;
  go(to: CellAt, options?: { readonly extend?: boolean; readonly edit?: boolean }): void;
  setEditing(editing: boolean): void;
  /** Handles a key that moves between cells; says whether it was one. */
  onKey(event: KeyboardEvent, pageRows: number): boolean;
}

/** The active cell of the sheet, the cells chosen with it, and the keys that move it. */
export function useGrid(
  rows: Titles,
  columnCount: number,
  onChoose: (titleIds: readonly string[]) => void,
  scrollTo: (row: number) => void,
): Grid {
  const [active, setActive] = useState<CellAt | null>(null);
  const [anchor, setAnchor] = useState<CellAt | null>(null);
  const [editing, setEditing] = useState(false);
  const [focused, setFocused] = useState(false);
  const index = useMemo(() => new Map(rows.map((title, i) => [title.id, i])), [rows]);
  const rowOf = (titleId: string): number => index.get(titleId) ?? -1;
  const range = rangeOf(active, anchor, rowOf);
  const latest = useRef({ onChoose, scrollTo, rows, index, active, anchor });
  useEffect(() => {
    latest.current = { onChoose, scrollTo, rows, index, active, anchor };
  });
  // The same function at all times, so that rows which stay as they are need not be drawn again.
  const go = useCallback<Grid['go']>((to, { extend = false, edit = false } = {}) => {
    const now = latest.current;
    const start = extend ? (now.anchor ?? now.active ?? to) : to;
    const rowNow = (titleId: string): number => now.index.get(titleId) ?? -1;
    setActive(to);
    setAnchor(start);
    setEditing(edit);
    setFocused(true);
    const [a, b] = [rowNow(start.titleId), rowNow(to.titleId)];
    if (b >= 0) now.scrollTo(b);
    const chosen = now.rows.slice(Math.max(0, Math.min(a, b)), Math.max(a, b) + 1).map(({ id }) => id);
    now.onChoose([to.titleId, ...chosen.filter((id) => id !== to.titleId)]);
  }, []);
  const moveBy = (down: number, across: number, extend: boolean): void => {
    if (active === null) return;
    const row = Math.max(0, Math.min(rows.length - 1, rowOf(active.titleId) + down));
    const col = Math.max(0, Math.min(columnCount - 1, active.col + across));
    if (rows[row] !== undefined) go({ titleId: rows[row].id, col }, { extend });
  };
  const onKey: Grid['onKey'] = (event, pageRows) => {
    const step = stepOf(event, { editing, pageRows, rowCount: rows.length, columnCount });
    if (step === null) return false;
    if (event.key === 'Tab' && atEdge(active, step.across, rows.length, columnCount, rowOf)) return false;
    event.preventDefault();
    if (event.key === 'Tab' && active !== null) {
      const col = active.col + step.across;
      const down = col < 0 ? -1 : col >= columnCount ? 1 : 0;
      moveBy(down, down === 0 ? step.across : -down * (columnCount - 1), false);
    } else moveBy(step.down, step.across, event.shiftKey && event.key.startsWith('Arrow'));
    return true;
  };
  return { active, range, editing, focused, rowOf, go, setEditing, onKey };
}

interface Step {
  readonly down: number;
  readonly across: number;
}

/** How far a key goes; null for one that does not move between cells. */
function stepOf(
  event: KeyboardEvent,
  at: { editing: boolean; pageRows: number; rowCount: number; columnCount: number },
): Step | null {
  const far = event.ctrlKey || event.metaKey;
  switch (event.key) {
    case 'ArrowDown':
      return { down: far ? at.rowCount : 1, across: 0 };
    case 'ArrowUp':
      return { down: far ? -at.rowCount : -1, across: 0 };
    case 'ArrowLeft':
      return at.editing ? null : { down: 0, across: far ? -at.columnCount : -1 };
    case 'ArrowRight':
      return at.editing ? null : { down: 0, across: far ? at.columnCount : 1 };
    case 'Enter':
      return far ? null : { down: event.shiftKey ? -1 : 1, across: 0 };
    case 'Tab':
      return { down: 0, across: event.shiftKey ? -1 : 1 };
    case 'PageDown':
      return { down: at.pageRows, across: 0 };
    case 'PageUp':
      return { down: -at.pageRows, across: 0 };
    case 'Home':
      return at.editing ? null : { down: far ? -at.rowCount : 0, across: -at.columnCount };
    case 'End':
      return at.editing ? null : { down: far ? at.rowCount : 0, across: at.columnCount };
    default:
      return null;
  }
}

/** Whether a Tab would leave the sheet: it then goes on to what is next on the screen. */
function atEdge(
  active: CellAt | null,
  across: number,
  rowCount: number,
  columnCount: number,
  rowOf: (titleId: string) => number,
): boolean {
  if (active === null) return true;
  const row = rowOf(active.titleId);
  return across > 0 ? row === rowCount - 1 && active.col === columnCount - 1 : row === 0 && active.col === 0;
}

function rangeOf(
  active: CellAt | null,
  anchor: CellAt | null,
  rowOf: (titleId: string) => number,
): CellRange | null {
  if (active === null) return null;
  const from = anchor ?? active;
  const [a, b] = [rowOf(from.titleId), rowOf(active.titleId)];
  if (b < 0) return null;
  return {
    firstRow: Math.min(a < 0 ? b : a, b),
    lastRow: Math.max(a, b),
    firstCol: Math.min(from.col, active.col),
    lastCol: Math.max(from.col, active.col),
  };
}
