import type { Sheet } from '../formats/csv/csv';
import type { Template } from '../model/template';
import { plainName, sameMeaning } from './swap';

/** What a column of a sheet is: one of the title's own properties, a field by its name, kept words, or nothing. */
export type Role =
  | { readonly kind: 'in' | 'out' | 'lasts' | 'lane' | 'template' | 'title' | 'nothing' }
  | { readonly kind: 'field' | 'kept'; readonly label: string };

const listed = (names: string): readonly string[] => names.split(', ');

// What other people's sheets call the parts of a title.
const NAMES: Readonly<Record<'in' | 'out' | 'lasts' | 'lane' | 'template' | 'title', readonly string[]>> = {
  in: listed(
    'in, start, time, timecode, tc, from, begin, begins, starts, at, cue, tc in, in tc, time in, in time, timecode in, ' +
      'in timecode, in point, mark in, start time, start tc, tc start, start timecode, timecode start, record in, rec in',
  ),
  out: listed(
    'out, end, to, until, ends, stop, tc out, out tc, time out, out time, timecode out, out timecode, out point, ' +
      'mark out, end time, end tc, tc end, end timecode, timecode end, record out, rec out',
  ),
  lasts: listed('lasts, length, duration, dur, seconds, secs, hold, run time, running time'),
  lane: listed('lane, track, layer'),
  template: listed(
    'template, kind, style, graphic, type, gfx, design, template name, graphic type, graphic name, title type, ' +
      'type of title, type of graphic',
  ),
  title: listed('title id, id'),
};
const KEPT = /^kept:\s*(.+)$/i;
// "Start (s)", "Duration [sec]", "Length in seconds": the unit is no part of the name.
const SECONDS = /\s*(?:[([]\s*(?:s|secs?|seconds?)\s*[)\]]|,?\s+(?:in\s+)?(?:s|secs?|seconds))\s*$/i;
const PLAIN_FIGURE = /^\d+(?:[.,]\d+)?$/;

/** A column's name without the unit that its figures are in. */
function withoutUnit(header: string): string {
  return header.replace(SECONDS, '');
}

/**
 * A guess at what each column is: times by their names or, for one without a name that says so, by cells that all look
 * like times; fields by a name that means the same, the template's own first; then, in order, the fields that are left.
 * Nothing is guessed twice: of two columns with one meaning the first has it.
 */
export function guessRoles(sheet: Sheet, template: Template | null, labels: readonly string[]): Role[] {
  const own = template?.fields.map(({ label }) => label) ?? [];
  const taken = new Set<string>();
  const roles = sheet.headers.map((header): Role => {
    const role = namedRole(header, [...own, ...labels]);
    const key = 'label' in role ? `${role.kind} ${plainName(role.label)}` : role.kind;
    if (role.kind !== 'nothing' && role.kind !== 'kept' && taken.has(key)) return { kind: 'nothing' };
    taken.add(key);
    return role;
  });
  const has = (kind: Role['kind']): boolean => roles.some((role) => role.kind === kind);
  sheet.headers.forEach((_, i) => {
    if (roles[i].kind !== 'nothing' || has('in')) return;
    const cells = sheet.rows.slice(0, 20).map((row) => row[i].trim());
    if (cells.length > 0 && cells.every((cell) => /^\d{1,2}([:;]\d{2}){2,3}$/.test(cell)))
      roles[i] = { kind: 'in' };
  });
  const used = new Set(roles.flatMap((role) => (role.kind === 'field' ? [plainName(role.label)] : [])));
  const left = (template?.fields ?? []).filter(
    (field) => ['text', 'rows'].includes(field.kind) && !used.has(plainName(field.label)),
  );
  if (used.size > 0) return roles;
  return roles.map((role) => {
    const next = role.kind === 'nothing' ? left.shift() : undefined;
    return next === undefined ? role : { kind: 'field', label: next.label };
  });
}

function namedRole(header: string, labels: readonly string[]): Role {
  const kept = KEPT.exec(header);
  if (kept !== null) return { kind: 'kept', label: kept[1] };
  const whole = plainName(header);
  const same = labels.find((label) => plainName(label) === whole);
  if (same !== undefined) return { kind: 'field', label: same };
  const name = plainName(withoutUnit(header));
  for (const kind of ['in', 'out', 'lasts', 'lane', 'template', 'title'] as const)
    if (NAMES[kind].includes(name) || NAMES[kind].includes(whole)) return { kind };
  const close = labels.find((label) => sameMeaning(label, name));
  return close === undefined ? { kind: 'nothing' } : { kind: 'field', label: close };
}

/** A column that nothing is made of although it holds something. */
export interface UnusedColumn {
  readonly header: string;
  /** The number of rows in which it holds something, and the first of what it holds. */
  readonly rows: number;
  readonly example: string;
}

/** The columns that nothing is made of, of those that hold something. */
export function unusedColumns(sheet: Sheet, roles: readonly Role[]): UnusedColumn[] {
  return sheet.headers.flatMap((header, i) => {
    if (roles[i].kind !== 'nothing') return [];
    const held = sheet.rows.map((row) => row[i].trim()).filter((cell) => cell !== '');
    return held.length === 0 ? [] : [{ header, rows: held.length, example: held[0] }];
  });
}

/** Figures of a column whose name says that they are seconds, as times are typed. */
export function inSeconds(sheet: Sheet): (cells: readonly string[]) => readonly string[] {
  const columns = sheet.headers.map((header) => SECONDS.test(header) || /^\s*sec(ond)?s\s*$/i.test(header));
  if (!columns.includes(true)) return (cells) => cells;
  return (cells) =>
    cells.map((cell, i) =>
      columns[i] && PLAIN_FIGURE.test(cell.trim()) ? `${cell.trim().replace(',', '.')}s` : cell,
    );
}

/**
 * The template that a sheet is most likely for: the one that its rows name most often, else the one with most fields that
 * its columns are called after, by name or meaning; null where there is no template.
 */
export function likelyTemplate<T extends { readonly document: Template }>(
  sheet: Sheet,
  templates: readonly T[],
): T | null {
  const column = sheet.headers.findIndex((header) => namedRole(header, []).kind === 'template');
  // Counted once: a sheet may have many rows, and a house many templates.
  const named = new Map<string, number>();
  for (const row of column < 0 ? [] : sheet.rows)
    named.set(plainName(row[column]), (named.get(plainName(row[column])) ?? 0) + 1);
  const score = ({ document }: T): number => {
    const labels = document.fields.map(({ label }) => label);
    const rows = named.get(plainName(document.name)) ?? 0;
    return (
      rows * (sheet.headers.length + 1) +
      sheet.headers.filter((one) => namedRole(one, labels).kind === 'field').length
    );
  };
  const scored = templates.map((one) => ({ one, score: score(one) }));
  return scored.toSorted((a, b) => b.score - a.score)[0]?.one ?? null;
}
