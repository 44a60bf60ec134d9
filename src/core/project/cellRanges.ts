import type { Title } from '../model/project';
import { InputError } from '../kit/inputError';
import type { CellContext, Column } from './cells';
import { cellText, fieldOf, withCell } from './cells';

/** Titles after many cells were written, and what was wrong with those that were left as they were. */
export interface CellsWritten {
  readonly titles: readonly Title[];
  readonly problems: readonly string[];
}

/** A text for one cell. */
export interface CellWrite {
  readonly titleId: string;
  readonly column: Column;
  readonly text: string;
}

/** The titles with cells written; a cell that cannot take its text stays as it was and is told with its row. */
export function writeCells(
  titles: readonly Title[],
  writes: readonly CellWrite[],
  context: CellContext,
): CellsWritten {
  const problems: string[] = [];
  const changed = new Map<string, Title>();
  const byId = new Map(titles.map((title, i) => [title.id, { title, row: i + 1 }]));
  for (const { titleId, column, text } of writes) {
    const known = byId.get(titleId);
    if (known === undefined) continue;
    const title = changed.get(titleId) ?? known.title;
    // What a cell says already is left alone, so that a field that shows the design's words keeps following them.
    if (cellText(title, column, context) === text) continue;
    try {
      changed.set(titleId, withCell(title, column, text, context));
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      problems.push(
        ...error.problems.map(
          (one) => `Row ${known.row}, ${one.where}: needs ${one.expected}, found ${one.got}`,
        ),
      );
    }
  }
  return { titles: titles.map((title) => changed.get(title.id) ?? title), problems };
}

/** The texts of a rectangle of cells, row by row. */
export function readCells(
  titles: readonly Title[],
  columns: readonly Column[],
  context: CellContext,
): string[][] {
  return titles.map((title) => columns.map((column) => cellText(title, column, context)));
}

/**
 * What pasting a block writes into a rectangle: laid from its first cell, again and again where the rectangle is
 * larger, and beyond it where the block is larger. One text for many cells goes into all of them.
 */
export function pasteWrites(
  block: readonly (readonly string[])[],
  titles: readonly Title[],
  columns: readonly Column[],
  at: {
    readonly firstRow: number;
    readonly lastRow: number;
    readonly firstCol: number;
    readonly lastCol: number;
  },
): CellWrite[] {
  const height = Math.max(
    block.length,
    Math.floor((at.lastRow - at.firstRow + 1) / block.length) * block.length,
  );
  const across = Math.max(...block.map((row) => row.length));
  const width = Math.max(across, Math.floor((at.lastCol - at.firstCol + 1) / across) * across);
  const writes: CellWrite[] = [];
  for (let down = 0; down < height; down++) {
    const title = titles[at.firstRow + down];
    const row = block[down % block.length];
    for (let right = 0; right < width; right++) {
      const column = columns[at.firstCol + right];
      const text = row[right % across];
      if (title !== undefined && column !== undefined && text !== undefined)
        writes.push({ titleId: title.id, column, text });
    }
  }
  return writes;
}

/** What clearing a rectangle writes: empty words, in the cells that hold words. */
export function clearWrites(
  titles: readonly Title[],
  columns: readonly Column[],
  context: CellContext,
): CellWrite[] {
  return titles.flatMap((title) =>
    columns
      .filter((column) => {
        const field = fieldOf(context.templateOf(title.editionId), column);
        return field !== undefined && ['text', 'rows', 'date'].includes(field.kind);
      })
      .map((column) => ({ titleId: title.id, column, text: '' })),
  );
}

/** What filling down writes: the first row's texts in all rows below it. */
export function fillDownWrites(
  titles: readonly Title[],
  columns: readonly Column[],
  context: CellContext,
): CellWrite[] {
  const [first, ...rest] = titles;
  if (first === undefined) return [];
  const texts = columns.map((column) => cellText(first, column, context));
  return rest.flatMap((title) => columns.map((column, i) => ({ titleId: title.id, column, text: texts[i] })));
}
