import type { CreditRow } from '../model/credits';
import { MOST_CREDIT_ROWS } from '../model/credits';

// A longer line is a paragraph.
const LONGEST_NAME = 100;

// Stands for a line end inside a paragraph.
const LINE_END = '¶';

/** What a text of credits was understood as. */
export interface ReadCredits {
  readonly rows: readonly CreditRow[];
  /** Lines that are left out, because there are more than credits can have. */
  readonly leftOut: number;
}

type Part = { readonly role: string; readonly name: string };

// Leaders between a role and its name: three dots or more, close or spaced, an ellipsis or a row of them.
const LEADERS = /^(.*?\S)\s*(?:(?:\.\s?){3,}|…+|(?:·\s?){2,}|_{3,})\s*(\S.*)$/u;
// A colon parts where it is followed by a space or an end; "10:30" is none.
const COLON = /^([^:]*\p{L}[^:]*?)\s*[:：](?:\s+|$)(.*)$/u;
const PICTURES = /^\[pictures\]$/iu;
const BESIDE = /^\[beside (?:left|right)\]$/iu;

/**
 * Reads credits from a text: a role and its name are parted by a tab, by dots or by a colon; a role with nothing after it
 * is that of the names below; what stands right above other lines, after an empty line, or is the first of all, is a heading; so
 * is a line with `#` before it; `>` makes a paragraph. Lines of more than a hundred letters are paragraphs. Every empty line
 * beyond one makes a gap. Pictures keep their ids from `before`, in their order, under what they are called there. Ids
 * are made of places, so that the same text gives the same rows.
 */
export function textToCredits(text: string, before: readonly CreditRow[] = []): ReadCredits {
  const lines = text.replace(/\r\n?|\u2028|\u2029/g, '\n').split('\n');
  const rows: CreditRow[] = [];
  const kept = before.filter(({ kind }) => kind === 'pictures' || kind === 'beside');
  const id = (): string => `r${rows.length + 1}`;
  let role = false;
  let empty = 0;
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i].replace(/\s+$/u, '');
    if (line.trim() === '') {
      empty++;
      role = false;
      continue;
    }
    if (empty > 1 && rows.length > 0) rows.push({ id: id(), kind: 'gap', lines: empty - 1 });
    const isFirst = empty > 0 || rows.length === 0;
    empty = 0;
    // A tab parts cells whatever they begin with.
    const known = line.includes('\t') ? null : markedRow(line, id(), kept);
    if (known !== null) {
      rows.push(known);
      role = false;
      continue;
    }
    const parts = partsOf(line);
    if (parts !== null) {
      rows.push({ id: id(), kind: 'role', ...parts });
      role = true;
      continue;
    }
    const name = line.trim();
    if (role) rows.push({ id: id(), kind: 'role', role: '', name });
    else if (isLong(name)) rows.push({ id: id(), kind: 'paragraph', name });
    else if (isFirst && isOver(lines, i, rows.length === 0)) rows.push({ id: id(), kind: 'heading', name });
    else rows.push({ id: id(), kind: 'name', name });
  }
  const joined = joinRoles(rows);
  return { rows: joined.slice(0, MOST_CREDIT_ROWS), leftOut: Math.max(0, joined.length - MOST_CREDIT_ROWS) };
}

/** Whether a line stands over others: right over one, or as the first of all. */
function isOver(lines: readonly string[], at: number, isFirstOfAll: boolean): boolean {
  if ((lines[at + 1] ?? '').trim() !== '') return true;
  return isFirstOfAll && lines.slice(at + 1).some((line) => line.trim() !== '');
}

function markedRow(line: string, id: string, kept: CreditRow[]): CreditRow | null {
  const dashed = /^[-–•*]\s+(.*)$/u.exec(line.trim());
  if (dashed !== null) return { id, kind: 'name', name: dashed[1] };
  const marked = /^(#+|>)\s*(.*)$/u.exec(line.trim());
  if (marked !== null)
    return {
      id,
      kind: marked[1] === '>' ? 'paragraph' : 'heading',
      name: marked[2].replaceAll(LINE_END, '\n'),
    };
  const gap = /^\[gap (\d+(?:\.\d+)?)\]$/iu.exec(line.trim());
  if (gap !== null) return { id, kind: 'gap', lines: Math.min(100, Number(gap[1])) };
  const own = PICTURES.test(line.trim()) ? 'pictures' : BESIDE.test(line.trim()) ? 'beside' : null;
  if (own === null) return null;
  const at = kept.findIndex(({ kind }) => kind === own);
  const [found] = at < 0 ? [] : kept.splice(at, 1);
  if (found !== undefined) return { ...found, id };
  return own === 'pictures'
    ? { id, kind: 'pictures', assets: [] }
    : {
        id,
        kind: 'beside',
        asset: '',
        side: /right/iu.test(line) ? 'right' : 'left',
        atSeconds: null,
        forSeconds: null,
      };
}

/** A role and a name on one line; null for a line of one part. */
function partsOf(line: string): Part | null {
  if (line.includes('\t')) {
    const [role, ...names] = line.split(/\t+/u).map((cell) => cell.trim());
    const name = names.filter((cell) => cell !== '').join(', ');
    return { role, name };
  }
  const found = LEADERS.exec(line.trim()) ?? COLON.exec(line.trim());
  return found === null ? null : { role: found[1].trim(), name: found[2].trim() };
}

/** A role without a name takes that of the row after it, which goes on with it. */
function joinRoles(rows: readonly CreditRow[]): CreditRow[] {
  const joined: CreditRow[] = [];
  for (const row of rows) {
    const last = joined.at(-1);
    const opens = last?.kind === 'role' && last.name === '' && last.role !== '';
    if (opens && row.kind === 'role' && row.role === '') joined.splice(-1, 1, { ...last, name: row.name });
    else joined.push(row);
  }
  return joined;
}

/** Rows as a text that reads back as the same rows. */
export function creditsToText(rows: readonly CreditRow[]): string {
  return rows
    .map((row, i) => {
      const apart = i > 0 && startsAnew(row, rows[i - 1]) ? '\n' : '';
      const alone = row.kind === 'name' && needsDash(row.name, rows[i - 1]) ? '- ' : '';
      return apart + alone + lineOf(row);
    })
    .join('\n');
}

/** Whether a name would be read as something else without a dash before it. */
function needsDash(name: string, before: CreditRow | undefined): boolean {
  const isMarked = /^([#>\[]|[-–•*]\s)/u.test(name);
  return before === undefined || before.kind === 'role' || isMarked || isLong(name) || partsOf(name) !== null;
}

const isLong = (line: string): boolean => Array.from(line).length > LONGEST_NAME;

function startsAnew(row: CreditRow, before: CreditRow): boolean {
  return row.kind === 'heading' || (row.kind === 'name' && before.kind === 'role');
}

function lineOf(row: CreditRow): string {
  switch (row.kind) {
    case 'heading':
      return `# ${row.name}`;
    case 'role':
      return row.name === '' ? `${row.role}:` : `${row.role}\t${row.name}`;
    case 'name':
      return row.name;
    case 'paragraph':
      return `> ${row.name.replaceAll('\n', LINE_END)}`;
    case 'pictures':
      return '[pictures]';
    case 'gap':
      return `[gap ${row.lines}]`;
    case 'beside':
      return `[beside ${row.side}]`;
  }
}
