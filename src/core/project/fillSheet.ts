import type { Sheet } from '../formats/csv/csv';
import type { KeptWords, Title } from '../model/project';
import { LONGEST_LABEL, LONGEST_WORDS, MOST_KEPT, newTitle } from '../model/project';
import type { Field, FieldValue, Template } from '../model/template';
import { airValue } from '../resolve/fieldValue';
import { InputError } from '../kit/inputError';
import { designFrames } from '../titleTime/stretch';
import { SHORTEST_FRAMES } from '../time/rates';
import type { Clock } from '../time/clock';
import { textToLength, timecodeToFrame } from '../time/clock';
import { fieldText, parseField } from './cells';
import { freeLane } from './lanes';
import { plainName, sameMeaning } from './swap';

/** What a column of a sheet is: one of the title's own properties, a field by its name, kept words, or nothing. */
export type Role =
  | { readonly kind: 'in' | 'out' | 'lasts' | 'lane' | 'template' | 'title' | 'nothing' }
  | { readonly kind: 'field' | 'kept'; readonly label: string };

/** A template that rows can use: its newest edition. */
interface SheetTemplate {
  readonly editionId: string;
  readonly document: Template;
}

/** What rows are made into titles with. */
export interface FillContext {
  readonly clock: Clock;
  readonly templates: readonly SheetTemplate[];
  /** For rows that name no template. */
  readonly fallback: SheetTemplate | null;
  /** Where rows without a time start, one after the other. */
  readonly fromFrame: number;
  readonly existing: readonly Title[];
  templateOf(editionId: string): Template | undefined;
  newId(): string;
}

/** One row of a sheet, read: a new title, a changed one, or what is wrong with it. */
export interface FilledRow {
  /** From 0, without the row of names. */
  readonly index: number;
  readonly cells: readonly string[];
  readonly title: Title | null;
  /** Whether the title is on the sheet already and is changed by the row. */
  readonly known: boolean;
  readonly problems: readonly string[];
}

// What other people's sheets call the parts of a title.
const NAMES: Readonly<Record<'in' | 'out' | 'lasts' | 'lane' | 'template' | 'title', readonly string[]>> = {
  in: [
    ...['in', 'start', 'time', 'timecode', 'tc', 'from', 'begin', 'begins', 'starts', 'at', 'cue'],
    ...['tc in', 'in tc', 'time in', 'in time', 'timecode in', 'in timecode', 'in point', 'mark in'],
    ...['start time', 'start tc', 'tc start', 'start timecode', 'timecode start', 'record in', 'rec in'],
  ],
  out: [
    ...['out', 'end', 'to', 'until', 'ends', 'stop'],
    ...['tc out', 'out tc', 'time out', 'out time', 'timecode out', 'out timecode', 'out point', 'mark out'],
    ...['end time', 'end tc', 'tc end', 'end timecode', 'timecode end', 'record out', 'rec out'],
  ],
  lasts: ['lasts', 'length', 'duration', 'dur', 'seconds', 'secs', 'hold', 'run time', 'running time'],
  lane: ['lane', 'track', 'layer'],
  template: [
    ...['template', 'kind', 'style', 'graphic', 'type', 'gfx', 'design', 'template name'],
    ...['graphic type', 'graphic name', 'title type', 'type of title', 'type of graphic'],
  ],
  title: ['title id', 'id'],
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
function inSeconds(sheet: Sheet): (cells: readonly string[]) => readonly string[] {
  const columns = sheet.headers.map((header) => SECONDS.test(header) || /^\s*sec(ond)?s\s*$/i.test(header));
  if (!columns.includes(true)) return (cells) => cells;
  return (cells) =>
    cells.map((cell, i) =>
      columns[i] && PLAIN_FIGURE.test(cell.trim()) ? `${cell.trim().replace(',', '.')}s` : cell,
    );
}

/** The rows of a sheet as titles, each with what is wrong with it. Rows without a time follow one another. */
export function fillRows(sheet: Sheet, roles: readonly Role[], context: FillContext): FilledRow[] {
  const placed: Title[] = [...context.existing];
  const byId = new Map(context.existing.map((title) => [title.id, title]));
  const withUnits = inSeconds(sheet);
  let next = context.fromFrame;
  return sheet.rows.map((cells, index) => {
    const problems: string[] = [];
    const title = fillRow(withUnits(cells), roles, { ...context, fromFrame: next }, byId, problems);
    if (title === null || problems.length > 0) return { index, cells, title: null, known: false, problems };
    const known = byId.has(title.id);
    const lane = roles.some((role) => role.kind === 'lane') || known ? title.lane : freeLane(placed, title);
    const settled = { ...title, lane };
    if (!known) placed.push(settled);
    next = settled.startFrame + settled.lengthFrames;
    return { index, cells, title: settled, known, problems };
  });
}

function fillRow(
  cells: readonly string[],
  roles: readonly Role[],
  context: FillContext,
  byId: ReadonlyMap<string, Title>,
  problems: string[],
): Title | null {
  const cellOf = (kind: Role['kind']): string =>
    cells[roles.findIndex((role) => role.kind === kind)]?.trim() ?? '';
  const attempt = <T>(work: () => T): T | null => {
    try {
      return work();
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      problems.push(
        ...error.problems.map(({ where, expected, got }) => `${where}: expected ${expected}, got ${got}`),
      );
      return null;
    }
  };
  const before = byId.get(cellOf('title'));
  const used = attempt(() => templateFor(cellOf('template'), before, context));
  if (used === null) return null;
  const span = attempt(() => spanFor(cellOf, before, used.document, context));
  const same = before?.editionId === used.editionId ? before : undefined;
  const words = attempt(() => wordsFor(cells, roles, used.document, same));
  const lane = attempt(() => laneFor(cellOf('lane'), before));
  if (span === null || words === null || lane === null) return null;
  const kept = before === undefined ? words.kept : keptWords(before, words.kept, roles);
  const changed = { ...span, lane, values: { ...before?.values, ...words.values }, kept };
  if (before !== undefined) return { ...before, ...changed, editionId: used.editionId };
  return newTitle({ id: context.newId(), editionId: used.editionId, ...changed });
}

function templateFor(name: string, before: Title | undefined, context: FillContext): SheetTemplate {
  const own = before && context.templateOf(before.editionId);
  if (own !== undefined && before !== undefined && (name === '' || own.name === name))
    return { editionId: before.editionId, document: own };
  if (name === '') {
    if (context.fallback === null)
      throw InputError.of('Template', 'the name of a template on the shelf', 'nothing');
    return context.fallback;
  }
  const found = context.templates.find(({ document }) => plainName(document.name) === plainName(name));
  if (found === undefined) {
    const known = context.templates.map(({ document }) => document.name).join(', ');
    throw InputError.of('Template', `one of ${known}`, name);
  }
  return found;
}

function spanFor(
  cellOf: (kind: Role['kind']) => string,
  before: Title | undefined,
  template: Template,
  { clock, fromFrame }: FillContext,
): Pick<Title, 'startFrame' | 'lengthFrames'> {
  const [start, lasts, end] = [cellOf('in'), cellOf('lasts'), cellOf('out')];
  const startFrame = start === '' ? (before?.startFrame ?? fromFrame) : timecodeToFrame(start, clock, 'In');
  if (lasts === '' && end === '')
    return { startFrame, lengthFrames: before?.lengthFrames ?? designFrames(template.timing, clock.rate) };
  const lengthFrames =
    lasts === '' ? timecodeToFrame(end, clock, 'Out') - startFrame : textToLength(lasts, clock, 'Lasts');
  if (lengthFrames < SHORTEST_FRAMES)
    throw InputError.of(
      lasts === '' ? 'Out' : 'Lasts',
      `at least ${SHORTEST_FRAMES} frames after the start`,
      lasts || end,
    );
  return { startFrame, lengthFrames };
}

function laneFor(typed: string, before: Title | undefined): number {
  if (typed === '') return before?.lane ?? 0;
  const lane = Number(typed) - 1;
  if (!Number.isInteger(lane) || lane < 0 || lane > 20)
    throw InputError.of('Lane', 'a lane from 1 to 21', typed);
  return lane;
}

interface RowWords {
  readonly values: Record<string, FieldValue>;
  readonly kept: readonly KeptWords[];
}

/** The words of a row; a cell that says what its field says already leaves it as it is. */
function wordsFor(
  cells: readonly string[],
  roles: readonly Role[],
  template: Template,
  before: Title | undefined,
): RowWords {
  const values: Record<string, FieldValue> = {};
  const kept: KeptWords[] = [];
  roles.forEach((role, i) => {
    const cell = cells[i] ?? '';
    if (role.kind === 'kept' && cell !== '') kept.push(keptCell(role.label, cell));
    if (role.kind !== 'field') return;
    const field = fieldNamed(template, role.label);
    if (field === undefined) {
      if (cell.trim() !== '') kept.push(keptCell(role.label, cell));
      return;
    }
    if (cell === '' && !['text', 'rows', 'date'].includes(field.kind)) return;
    const now = fieldText(field, before?.values[field.id] ?? airValue(template, field));
    if (cell !== now || (before === undefined && cell === '')) values[field.id] = parseField(field, cell);
  });
  if (kept.length > MOST_KEPT)
    throw InputError.of('Row', `at most ${MOST_KEPT} cells without a field`, `${kept.length}`);
  return { values, kept };
}

/** A cell that its title has no field for. Throws InputError for more than a title keeps. */
function keptCell(label: string, cell: string): KeptWords {
  if (cell.length > LONGEST_WORDS)
    throw InputError.of(label, `at most ${LONGEST_WORDS} characters`, `${cell.length} characters`);
  return { label: label.slice(0, LONGEST_LABEL), value: cell };
}

/** Words that a title keeps: as they were where the sheet has no column for them or says the same, else the sheet's. */
function keptWords(before: Title, typed: Title['kept'], roles: readonly Role[]): Title['kept'] {
  const columns = new Set(roles.flatMap((role) => (role.kind === 'kept' ? [role.label] : [])));
  const said = new Map(typed.map(({ label, value }) => [label, String(value)]));
  const first = new Map(before.kept.toReversed().map(({ label, value }) => [label, String(value)]));
  const same = (label: string): boolean => said.get(label) === first.get(label);
  return [
    ...before.kept.filter(({ label }) => same(label) || (!columns.has(label) && !said.has(label))),
    ...typed.filter(({ label }) => !same(label)),
  ];
}

function fieldNamed(template: Template, label: string): Field | undefined {
  return (
    template.fields.find((field) => plainName(field.label) === plainName(label)) ??
    template.fields.find((field) => field.kind === 'text' && sameMeaning(field.label, label))
  );
}
