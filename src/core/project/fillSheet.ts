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
import type { Role } from './sheetColumns';
import { inSeconds } from './sheetColumns';
import { plainName, sameMeaning } from './swap';

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
