import type { RowsLayer } from '../model/template';
import { cellColumns } from '../model/template';
import { ALIGN_SHARES } from '../text/alignShares';
import { capHeightU } from '../text/capHeight';
import { countWords, figureIn } from '../text/figures';
import type { FitFact } from '../text/fitFacts';
import { fitText } from '../text/fitText';
import { knownFace } from '../text/knownFace';
import type { TextLayout } from '../text/layoutText';
import type { MeasureContext } from './layerKind';

/** Words of a row where they stand. */
interface SetCell {
  readonly layout: TextLayout;
  /** From the row's left end. */
  readonly x: number;
  readonly column: number;
}

/** The bar of a row where it stands. */
interface SetBar {
  readonly column: number;
  /** From the row's left end. */
  readonly x: number;
  readonly width: number;
  readonly heightShare: number;
  readonly radiusU: number;
}

/** A row that is set: its words and bars. */
export interface SetRow {
  readonly texts: readonly string[];
  readonly cells: readonly SetCell[];
  readonly bars: readonly SetBar[];
}

/** The rows of a list as they are set, and what was found doing so. */
export interface SetRows {
  readonly rows: readonly SetRow[];
  readonly facts: RowFacts;
  /** A row with its figures counted to a share (0 to 1) of what they are, and its bars as long. */
  counted(row: SetRow, share: number): SetRow;
}

interface RowFacts {
  readonly fitted: FitFact[];
  readonly missing: Set<string>;
  readonly standIns: Set<string>;
  overflows: boolean;
  capU: number;
}

interface Column {
  readonly left: number;
  readonly room: number;
}

interface Kept {
  readonly key: string;
  readonly fonts: MeasureContext['fonts'];
  readonly set: SetRows;
}
// A list that grows is measured for every frame in which it does; its rows stay as they were set.
const kept = new WeakMap<RowsLayer['columns'], Kept>();

/** Sets rows, their cells parted by tabs, in the columns of a list that is so wide (u). */
export function setRows(
  layer: RowsLayer,
  rows: readonly string[],
  width: number,
  context: MeasureContext,
): SetRows {
  const { fonts } = context;
  const key = JSON.stringify([rows, width, layer.padU, context.languageOf(layer.id), layer.mirrored?.rows]);
  const before = kept.get(layer.columns);
  if (before?.key === key && before.fonts === fonts) return before.set;
  const set = makeRows(layer, rows, width, context);
  kept.set(layer.columns, { key, fonts, set });
  return set;
}

function makeRows(
  layer: RowsLayer,
  rows: readonly string[],
  width: number,
  context: MeasureContext,
): SetRows {
  const facts: RowFacts = {
    fitted: [],
    missing: new Set<string>(),
    standIns: new Set<string>(),
    overflows: false,
    capU: Infinity,
  };
  const columns = columnsOf(layer, width);
  const texts = rows.map((row) => row.split('\t'));
  const scales = layer.columns.map(({ bar = null }) => (bar === null ? null : barScale(bar, texts)));
  const setRow = (cells: readonly string[], share: number, notes: RowFacts | null): SetRow => {
    const set = rowAsDrawn(cells, share, notes);
    return layer.mirrored?.rows === true ? mirrorRow(set, width) : set;
  };
  const rowAsDrawn = (cells: readonly string[], share: number, notes: RowFacts | null): SetRow => ({
    texts: cells,
    cells: setCells(layer, cells, share, { columns, context, notes }),
    bars: layer.columns.flatMap(({ bar = null }, column): SetBar[] => {
      const scale = scales[column];
      if (bar === null || scale === null) return [];
      const span = scale.spanOf(cells[bar.of] ?? '', share);
      if (span === null) return [];
      const { left, room } = columns[column];
      const { heightShare, radiusU } = bar;
      return [{ column, x: left + span.from * room, width: span.length * room, heightShare, radiusU }];
    }),
  });
  return {
    rows: texts.map((cells) => setRow(cells, 1, facts)),
    facts,
    counted: (row, share) => setRow(row.texts, share, null),
  };
}

/** A row with its columns, what is lined up in them and its bars from the other end. */
function mirrorRow({ texts, cells, bars }: SetRow, width: number): SetRow {
  return {
    texts,
    cells: cells.map((cell) => ({ ...cell, x: width - cell.x - cell.layout.width })),
    bars: bars.map((bar) => ({ ...bar, x: width - bar.x - bar.width })),
  };
}

/** Where the columns lie, by their parts of the width. */
function columnsOf({ columns, padU }: RowsLayer, width: number): Column[] {
  const total = columns.reduce((sum, { share }) => sum + share, 0) || 1;
  const inner = width - padU * (columns.length + 1);
  let left = padU;
  return columns.map(({ share }) => {
    const room = Math.max(0, (inner * share) / total);
    const column = { left, room };
    left += room + padU;
    return column;
  });
}

interface Setting {
  readonly columns: readonly Column[];
  readonly context: MeasureContext;
  /** Null for words that only count on their way. */
  readonly notes: RowFacts | null;
}

function setCells(
  layer: RowsLayer,
  texts: readonly string[],
  share: number,
  { columns, context, notes }: Setting,
): SetCell[] {
  return cellColumns(layer).flatMap(({ column, at }, i): SetCell[] => {
    const written = texts[i] ?? '';
    if (written.trim() === '') return [];
    const text = column.counts === true && share < 1 ? countWords(written, share) : written;
    const { left, room } = columns[at];
    const spec = {
      runs: [{ text }],
      style: knownFace(column.style),
      align: 'left',
      balanced: false,
      columnU: null,
      language: context.languageOf(layer.id),
    } as const;
    const steps = [
      { kind: 'squeeze', minPercent: 80 },
      { kind: 'shrink', minSizeU: column.style.sizeU * 0.7 },
      { kind: 'cut' },
    ] as const;
    const fitted = fitText(spec, room, steps, context.fonts);
    if (notes !== null) noteFacts(notes, fitted, capHeightU(column.style, context.fonts) * fitted.scale);
    const x = left + (room - fitted.layout.width) * ALIGN_SHARES[column.align];
    return [{ column: at, layout: fitted.layout, x }];
  });
}

function noteFacts(notes: RowFacts, fitted: ReturnType<typeof fitText>, capU: number): void {
  notes.fitted.push(...fitted.done);
  for (const character of fitted.layout.missing) notes.missing.add(character);
  for (const face of fitted.layout.standIns) notes.standIns.add(face);
  if (fitted.overflows) notes.overflows = true;
  notes.capU = Math.min(notes.capU, capU);
}

interface BarScale {
  /** Where the bar of a figure starts and how long it is, as shares of its column; null for words without a figure. */
  spanOf(text: string, share: number): { readonly from: number; readonly length: number } | null;
}

/**
 * One measure for all bars of a list: from the figure without length to the one that fills the column. Figures below
 * that zero go the other way, and the zero lies where both have room.
 */
function barScale(
  { of, zero, full }: NonNullable<RowsLayer['columns'][number]['bar']>,
  rows: readonly (readonly string[])[],
): BarScale {
  const lengths = rows.flatMap((cells) => {
    const figure = figureIn(cells[of] ?? '');
    return figure === null ? [] : [figure - zero];
  });
  const most = full === null ? Math.max(0, ...lengths) : Math.max(0, full - zero);
  const least = Math.min(0, ...lengths);
  const reach = most - least;
  const within = (length: number): number => Math.max(least, Math.min(most, length));
  return {
    spanOf(text, share) {
      const figure = figureIn(text);
      if (figure === null) return null;
      if (reach === 0) return { from: 0, length: 0 };
      const length = within(figure - zero) * share;
      return { from: (Math.min(0, length) - least) / reach, length: Math.abs(length) / reach };
    },
  };
}
