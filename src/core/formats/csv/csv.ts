import Papa from 'papaparse';
import { InputError } from '../../kit/inputError';
import { wellFormedText } from '../../kit/wellFormed';

/** A sheet as it was read: its headers, each once, and its rows of as many cells. */
export interface Sheet {
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** What should be known of how it was read, in words. */
  readonly notes: readonly string[];
}

/** The longest file that is read, in bytes. */
const LONGEST_BYTES = 16 * 1024 * 1024;
const MOST_ROWS = 100_000;
const MOST_COLUMNS = 500;

/**
 * A CSV or TSV file (RFC 4180, also with `;` or tabs) as text: UTF-8, with or without a byte order mark, and UTF-16
 * with one. Other bytes are read as Windows-1252, which is said in a note. Throws InputError for one that is too long.
 */
export function decodeSheet(bytes: Uint8Array): { readonly text: string; readonly notes: string[] } {
  if (bytes.length > LONGEST_BYTES)
    throw InputError.of('Sheet', 'at most 16 MB', `${Math.ceil(bytes.length / 1e6)} MB`);
  const [a, b] = bytes;
  if ((a === 0xff && b === 0xfe) || (a === 0xfe && b === 0xff))
    return { text: new TextDecoder(a === 0xff ? 'utf-16le' : 'utf-16be').decode(bytes), notes: [] };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), notes: [] };
  } catch {
    const notes = [
      'The file is not all UTF-8, so it was read as Windows-1252: look at letters with accents before you go on.',
    ];
    return { text: new TextDecoder('windows-1252').decode(bytes), notes };
  }
}

/**
 * The sheet that a text holds. The first row that is not empty names the columns; a name that is missing or there
 * twice is made up. Rows are filled up or cut to as many cells, empty rows left out. Throws InputError for a text
 * without rows.
 */
export function readSheet(text: string): Sheet {
  const { data, errors } = Papa.parse<string[]>(wellFormedText(text.replace(/^\uFEFF/, '')), {
    delimiter: separatorOf(text),
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 2,
  });
  if (data[0] === undefined)
    throw InputError.of('Sheet', 'a row of column names and at least one row', text.slice(0, 40));
  return tableToSheet(
    data,
    errors.slice(0, 3).map(({ message, row }) => `Line ${(row ?? 0) + 1}: ${message}`),
  );
}

/**
 * The sheet that rows of cells make, whatever they were read from. The first row names the columns; a name that is
 * missing or there twice is made up. Rows are filled up or cut to as many cells; what is cut is told. Throws InputError
 * for no rows and for too many.
 */
export function tableToSheet(table: readonly (readonly string[])[], told: readonly string[]): Sheet {
  const [first, ...rest] = table;
  if (first === undefined) throw InputError.of('Sheet', 'a row of column names', 'none');
  if (rest.length > MOST_ROWS)
    throw InputError.of('Sheet', `at most ${MOST_ROWS} rows`, 'more', 'Divide it into several files.');
  if (first.length > MOST_COLUMNS)
    throw InputError.of('Sheet, line 1', `at most ${MOST_COLUMNS} columns`, `${first.length}`);
  const notes = [...told];
  const names = uniqueNames(first.map(wellFormedText), notes);
  const longest = rest.reduce((most, row) => Math.max(most, row.length), 0);
  if (longest > names.length)
    notes.push(
      `Some rows have ${longest} cells for ${names.length} columns; what is beyond them is not used.`,
    );
  const rows = rest.map((row) => names.map((_, i) => unguard(wellFormedText(row[i] ?? ''))));
  return { headers: names, rows, notes };
}

/** The separator that the first lines use most outside of quotes: a comma, a semicolon or a tab. */
function separatorOf(text: string): string {
  const head = text.slice(0, 4000).replace(/"[^"]*"/g, '');
  const firstLine = head.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  const counts = ['\t', ';', ','].map((mark) => ({ mark, count: firstLine.split(mark).length - 1 }));
  const best = counts.reduce((most, one) => (one.count > most.count ? one : most));
  return best.count === 0 ? ',' : best.mark;
}

function uniqueNames(row: readonly string[], notes: string[]): string[] {
  const seen = new Map<string, number>();
  return row.map((cell, i) => {
    const name = unguard(cell).trim().slice(0, 120) || `Column ${i + 1}`;
    const times = (seen.get(name.toLowerCase()) ?? 0) + 1;
    seen.set(name.toLowerCase(), times);
    if (times === 1) return name;
    notes.push(`The column name "${name}" is there ${times} times; this one is called "${name} (${times})".`);
    return `${name} (${times})`;
  });
}

// A spreadsheet would run a cell that starts with one of these as a formula.
const RUNS = /^[=+\-@\t\r]/;
const GUARDED = /^'(?=['=+\-@\t\r])/;

/** A cell as it is safe to open in a spreadsheet: one that would be run as a formula gets an apostrophe. */
function guard(cell: string): string {
  return RUNS.test(cell) || GUARDED.test(cell) ? `'${cell}` : cell;
}

function unguard(cell: string): string {
  return cell.replace(GUARDED, '');
}

/** A sheet as a CSV file: RFC 4180 with a byte order mark, cells guarded against being run as formulas. */
export function writeCsv(headers: readonly string[], rows: readonly (readonly string[])[]): string {
  const cells = [headers, ...rows].map((row) => row.map(guard));
  return `\uFEFF${Papa.unparse(cells, { newline: '\r\n' })}\r\n`;
}

/** Cells as a spreadsheet puts them on the clipboard: tabs between cells, lines between rows; guarded like a file. */
export function writeClipboard(rows: readonly (readonly string[])[]): string {
  return Papa.unparse(
    rows.map((row) => row.map(guard)),
    { delimiter: '\t', newline: '\n' },
  );
}

/** Cells from the clipboard of a spreadsheet. */
export function readClipboard(text: string): string[][] {
  return Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' }).data.map((row) =>
    row.map(unguard),
  );
}
