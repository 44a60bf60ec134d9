import type { Sheet } from '../formats/csv/csv';
import type { KeptWords, Title } from '../model/project';
import { LONGEST_LABEL, LONGEST_WORDS, MOST_KEPT, MOST_LANES, newTitle } from '../model/project';
import type { Field, FieldValue, Template } from '../model/template';
import { airValue } from '../resolve/fieldValue';
import { InputError } from '../kit/inputError';
import { designFrames } from '../titleTime/stretch';
import { SHORTEST_FRAMES } from '../time/rates';
import type { Clock } from '../time/clock';
import { textToLength, timecodeToFrame } from '../time/clock';
import { framesPerDay } from '../time/timecode';
import { fieldText, parseField } from './cells';
import { freeLane } from './lanes';
import type { PictureNames } from './pictureNames';
import type { Role } from './sheetColumns';
import { inSeconds } from './sheetColumns';
import type { RowTitle } from './rowMatch';
import { matchRows } from './rowMatch';
import { plainName, sameMeaning, swapTitle } from './swap';

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
  /** Which template an edition is of: titles of two editions of one template may be the same title. */
  templateIdOf(editionId: string): string | undefined;
  /** What the same sheet said the last time, by the id of the title that was made of it. */
  readonly earlier?: ReadonlyMap<string, SheetRow>;
  /** What cells of picture fields can mean; none where it is left out. */
  readonly pictures?: PictureNames;
  /** Where the pictures end; 0 for a project without any. */
  readonly endFrame?: number;
}

/** A row of a sheet, by the names of its columns. */
export type SheetRow = Readonly<Record<string, string>>;

/** One row of a sheet, read: a new title, one of the project's, changed or not, or what is wrong with it. */
export interface FilledRow {
  /** From 0, without the row of names. */
  readonly index: number;
  readonly cells: readonly string[];
  readonly title: Title | null;
  /** The title of the project that the row is, as it is now; null for a new one. */
  readonly before: Title | null;
  readonly problems: readonly string[];
  /** What should be looked at, although it can be taken. */
  readonly hints: readonly string[];
}

/**
 * The rows of a sheet as titles, each with what is wrong with it. Rows without a time follow one another. A row is one
 * of the project's titles by its id, else by template, words and time; what has not changed since the same sheet was put
 * in the last time leaves that title as it is.
 */
export function fillRows(sheet: Sheet, roles: readonly Role[], context: FillContext): FilledRow[] {
  const byId = new Map(context.existing.map((title) => [title.id, title]));
  const withUnits = inSeconds(sheet);
  const alike = matchAlike(sheet, roles, context, byId);
  const placed: Title[] = [...context.existing];
  const seen = new Map<string, number>();
  let next = context.fromFrame;
  return sheet.rows.map((cells, index) => {
    const problems: string[] = [];
    const before = byId.get(cellAt(cells, roles, 'title')) ?? alike.get(index);
    const earlier = before === undefined ? undefined : context.earlier?.get(before.id);
    const used = earlier === undefined ? roles : changedRoles(sheet, cells, roles, earlier);
    const here = { ...context, fromFrame: next };
    const title = fillRow(withUnits(cells), used, here, before, problems, roles);
    const read = { index, cells, before: before ?? null, problems };
    if (title === null || problems.length > 0) return { ...read, title: null, hints: [] };
    const lane =
      before !== undefined || roles.some((role) => role.kind === 'lane')
        ? title.lane
        : freeLane(placed, title);
    const settled = { ...title, lane };
    if (before === undefined) placed.push(settled);
    next = settled.startFrame + settled.lengthFrames;
    const said = cells.join('\n');
    const twin = seen.get(said);
    if (twin === undefined) seen.set(said, index);
    const untimed = before === undefined && cellAt(cells, roles, 'in') === '';
    return { ...read, title: settled, hints: hintsFor(settled, context, twin, untimed) };
  });
}

/** Rows without an id that are titles of the project all the same, by their index. */
function matchAlike(
  sheet: Sheet,
  roles: readonly Role[],
  context: FillContext,
  byId: ReadonlyMap<string, Title>,
): ReadonlyMap<number, Title> {
  if (context.existing.length === 0) return new Map();
  const withUnits = inSeconds(sheet);
  const named = new Set(sheet.rows.map((cells) => cellAt(cells, roles, 'title')));
  const rows = sheet.rows.flatMap((cells, index): RowTitle[] => {
    if (byId.has(cellAt(cells, roles, 'title'))) return [];
    const title = fillRow(withUnits(cells), roles, context, undefined, []);
    if (title === null) return [];
    return [{ index, title: toMatch(title, context), timed: cellAt(cells, roles, 'in') !== '' }];
  });
  const free = context.existing.filter(({ id }) => !named.has(id));
  const perSecond = context.clock.rate.numerator / context.clock.rate.denominator;
  const matched = matchRows(
    rows,
    free.map((title) => toMatch(title, context)),
    perSecond,
    context.templateIdOf,
    (id) => context.earlier?.has(id) === true,
  );
  const found = new Map<number, Title>();
  for (const [index, { id }] of matched) {
    const title = byId.get(id);
    if (title !== undefined) found.set(index, title);
  }
  return found;
}

/** What a title is known by: its words, since many have the same picture; the pictures of one that has nothing else. */
function toMatch(title: Title, { templateOf }: FillContext): Title {
  const fields = templateOf(title.editionId)?.fields ?? [];
  const pictures = new Set(fields.flatMap(({ id, kind }) => (kind === 'picture' ? [id] : [])));
  if (pictures.size === 0) return title;
  const words = Object.entries(title.values).filter(([id, value]) => !pictures.has(id) && value !== '');
  return words.length === 0 ? title : { ...title, values: Object.fromEntries(words) };
}

/** The roles of columns that say something else than the last time; those that do not leave their title as it is. */
function changedRoles(
  sheet: Sheet,
  cells: readonly string[],
  roles: readonly Role[],
  earlier: SheetRow,
): Role[] {
  return roles.map((role, i) =>
    role.kind !== 'title' && earlier[sheet.headers[i]] === cells[i] ? { kind: 'nothing' } : role,
  );
}

function cellAt(cells: readonly string[], roles: readonly Role[], kind: Role['kind']): string {
  return cells[roles.findIndex((role) => role.kind === kind)]?.trim() ?? '';
}

function hintsFor(
  { startFrame, lengthFrames }: Title,
  { endFrame = 0 }: FillContext,
  twin: number | undefined,
  untimed: boolean,
): string[] {
  return [
    ...(twin === undefined ? [] : [`says the same as row ${twin + 1}`]),
    ...(untimed ? ['no time: it follows the row before'] : []),
    ...(endFrame > 0 && startFrame + lengthFrames > endFrame ? ['runs past the last picture'] : []),
  ];
}

/** `columns` are what all columns are, also those that are left out of `roles` because they say nothing new. */
function fillRow(
  cells: readonly string[],
  roles: readonly Role[],
  context: FillContext,
  before: Title | undefined,
  problems: string[],
  columns: readonly Role[] = roles,
): Title | null {
  const cellOf = (kind: Role['kind']): string => cellAt(cells, roles, kind);
  const attempt = <T>(work: () => T): T | null => {
    try {
      return work();
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      problems.push(
        ...error.problems.map(({ where, expected, got }) => `${where}: needs ${expected}, found ${got}`),
      );
      return null;
    }
  };
  const used = attempt(() => templateFor(cellOf('template'), before, context));
  if (used === null) return null;
  const span = attempt(() => spanFor(cellOf, before, used.document, context));
  const base = before && inTemplate(before, used, context);
  const words = attempt(() => wordsFor(cells, roles, used.document, base, columns, context.pictures));
  const lane = attempt(() => laneFor(cellOf('lane'), before));
  if (span === null || words === null || lane === null) return null;
  if (base === undefined)
    return newTitle({ id: context.newId(), editionId: used.editionId, ...span, lane, ...words });
  const kept = keptWords(base, words.kept, roles);
  return { ...base, ...span, lane, values: { ...base.values, ...words.values }, kept };
}

/** A title in the template that its row names; another one gets its words by meaning, as when it is swapped. */
function inTemplate(title: Title, used: SheetTemplate, { templateOf }: FillContext): Title {
  if (title.editionId === used.editionId) return title;
  return swapTitle(title, templateOf(title.editionId), { id: used.editionId, document: used.document });
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
    lasts === '' ? timecodeToFrame(end, clock, 'Out') - startFrame : textToLength(lasts, clock, 'Duration');
  const where = lasts === '' ? 'Out' : 'Duration';
  if (lengthFrames < SHORTEST_FRAMES)
    throw InputError.of(where, `at least ${SHORTEST_FRAMES} frames after the start`, lasts || end);
  if (startFrame + lengthFrames > framesPerDay(clock))
    throw InputError.of(where, 'an end within 24 hours of the project’s start', lasts || end);
  return { startFrame, lengthFrames };
}

function laneFor(typed: string, before: Title | undefined): number {
  if (typed === '') return before?.lane ?? 0;
  const lane = Number(typed) - 1;
  if (!Number.isInteger(lane) || lane < 0 || lane >= MOST_LANES)
    throw InputError.of('Lane', `a lane from 1 to ${MOST_LANES}`, typed);
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
  columns: readonly Role[],
  pictures: PictureNames | undefined,
): RowWords {
  const values: Record<string, FieldValue> = {};
  const kept: KeptWords[] = [];
  const named = new Set(
    columns.flatMap((role) => (role.kind === 'field' ? (fieldCalled(template, role.label)?.id ?? []) : [])),
  );
  roles.forEach((role, i) => {
    const cell = cells[i] ?? '';
    if (role.kind === 'kept' && cell !== '') kept.push(keptCell(role.label, cell));
    if (role.kind !== 'field') return;
    const field = fieldCalled(template, role.label) ?? fieldMeant(template, role.label, named);
    if (field === undefined) {
      if (cell.trim() !== '') kept.push(keptCell(role.label, cell));
      return;
    }
    if (cell === '' && !['text', 'rows', 'date'].includes(field.kind)) return;
    const now = fieldText(field, before?.values[field.id] ?? airValue(template, field), pictures);
    if (cell !== now || (before === undefined && cell === ''))
      values[field.id] = parseField(field, cell, pictures);
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

function fieldCalled(template: Template, label: string): Field | undefined {
  return template.fields.find((field) => plainName(field.label) === plainName(label));
}

/** A field for words by what a column's name means, unless another column is called as the field is. */
function fieldMeant(template: Template, label: string, named: ReadonlySet<string>): Field | undefined {
  return template.fields.find(
    (field) => field.kind === 'text' && !named.has(field.id) && sameMeaning(field.label, label),
  );
}
