import type { RowMoment, Title } from '../model/project';
import { MOST_MOMENTS } from '../model/project';
import type { Field, FieldValues, RowsLayer, Template } from '../model/template';
import { filledRows, shownRows } from '../model/template';
import { airValue } from '../resolve/fieldValue';

function rowsLayerOf(template: Template, { targets }: Field): RowsLayer | undefined {
  return template.layers.find(
    (layer): layer is RowsLayer =>
      layer.kind === 'rows' && targets.some(({ layerId, path }) => layerId === layer.id && path === 'rows'),
  );
}

/** A list of a title: its rows as they are shown, the moments that they were given, and when each comes. */
export interface TimedList {
  readonly field: Field;
  readonly layerId: string;
  readonly rows: readonly string[];
  readonly given: readonly (number | null)[];
  readonly seconds: readonly number[];
}

/** The lists of a title whose rows can have moments of their own. */
export function timedLists(
  template: Template,
  moments: Title['moments'],
  values: FieldValues,
): readonly TimedList[] {
  return template.fields.flatMap((field): TimedList[] => {
    const layer = rowsLayerOf(template, field);
    if (layer === undefined) return [];
    const rows = shownRows({ ...layer, rows: String(values[field.id] ?? airValue(template, field)) });
    const given = momentsOfRows(rows, moments?.[field.id] ?? []);
    return [
      {
        field,
        layerId: layer.id,
        rows,
        given,
        seconds: filledMoments(given, firstRowSeconds(template, layer)),
      },
    ];
  });
}

/** Whether rows of a list come at moments of their own, not as the template has them. */
export function isTimed({ given }: TimedList): boolean {
  return given.some((one) => one !== null);
}

/**
 * The moments of a list with the next row that has none coming at a time; null where every row has one already. Rows
 * before it that were passed over come in the rhythm of the others.
 */
export function tapNextRow(list: TimedList, seconds: number): RowMoment[] | null {
  const { rows, given } = list;
  const next = given.findLastIndex((one) => one !== null) + 1;
  if (next >= rows.length) return null;
  return setRowMoment(list, next, seconds);
}

/**
 * The moments that belong to rows, null for a row that has none: a row keeps its moment wherever it goes, and one that
 * reads otherwise now keeps that of the row that stood in its place and is gone.
 */
export function momentsOfRows(
  rows: readonly string[],
  kept: readonly RowMoment[],
): readonly (number | null)[] {
  const free = new Set(kept.keys());
  const own = rows.map((row) => {
    const at = kept.findIndex((one, i) => free.has(i) && one.row === row);
    free.delete(at);
    return at;
  });
  return own.map((at, i) => kept[at < 0 && free.has(i) ? i : at]?.seconds ?? null);
}

/** The moments of a list with one row coming at another time, or, with null, in the rhythm of the others. */
export function setRowMoment({ rows, given }: TimedList, at: number, seconds: number | null): RowMoment[] {
  return rows.map((row, i) => ({ row, seconds: i === at ? seconds : given[i] }));
}

/** A title's moments so much later (in seconds), none before its start: where its start was trimmed, rows stay where they were heard. */
export function shiftMoments(moments: Title['moments'], bySeconds: number): Title['moments'] {
  if (moments === undefined) return undefined;
  const later = (list: readonly RowMoment[]): RowMoment[] =>
    list.map(({ row, seconds }) => ({
      row,
      seconds: seconds === null ? null : Math.max(0, seconds + bySeconds),
    }));
  return Object.fromEntries(Object.entries(moments).map(([id, list]) => [id, later(list)]));
}

// From one row to the next where nothing says how long.
const STEP_SECONDS = 1;

/**
 * A moment for every row, in seconds. Rows without one follow the row before them in the rhythm of the others: the mean
 * time between neighbours that have one and come later and later.
 */
export function filledMoments(moments: readonly (number | null)[], firstSeconds: number): number[] {
  const gaps = moments.flatMap((one, i) => {
    const before = i === 0 ? null : moments[i - 1];
    return one === null || before === null || one <= before ? [] : [one - before];
  });
  const step = gaps.length === 0 ? STEP_SECONDS : gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  let last: number | null = null;
  return moments.map((one) => (last = one ?? (last === null ? firstSeconds : last + step)));
}

/** When the first row of a list comes by its design, in seconds. */
function firstRowSeconds({ timing }: Template, { motion }: RowsLayer): number {
  const moves = motion.in.filter(({ unit }) => unit === 'row');
  return Math.min(...moves.map(({ startSeconds }) => startSeconds), timing.inSeconds);
}

/** Moments spread evenly over a time, in seconds: the first row comes at its start, the last one at its end. */
export function spreadMoments(rows: readonly string[], from: number, to: number): RowMoment[] {
  const step = rows.length < 2 ? 0 : Math.max(0, to - from) / (rows.length - 1);
  return rows.map((row, i) => ({ row, seconds: from + i * step }));
}

const known = new WeakMap<Template, Map<string, Template>>();
const MOST_KNOWN = 200;

/**
 * A template whose lists have the moments of a title's rows; the template itself where it has none. Asked again for the
 * same moments it gives the same object.
 */
export function withRowMoments(template: Template, kept: Title['moments'], values: FieldValues): Template {
  if (kept === undefined || Object.keys(kept).length === 0) return template;
  const lists = timedLists(template, kept, values).filter(isTimed);
  if (lists.length === 0) return template;
  const byLayer = new Map(lists.map(({ layerId, seconds }) => [layerId, seconds]));
  const made = known.get(template) ?? new Map<string, Template>();
  known.set(template, made);
  const key = JSON.stringify([...byLayer]);
  const before = made.get(key);
  if (before !== undefined) return before;
  const layers = template.layers.map((layer) => {
    const moments = byLayer.get(layer.id);
    return layer.kind === 'rows' && moments !== undefined ? { ...layer, moments } : layer;
  });
  if (made.size >= MOST_KNOWN) made.clear();
  const timed = { ...template, layers };
  made.set(key, timed);
  return timed;
}

/** Titles after a change, each with its rows' moments under the words that they belong to now. */
export function keepMoments(before: readonly Title[], after: readonly Title[]): readonly Title[] {
  if (before === after || after.every(({ moments = {} }) => Object.keys(moments).length === 0)) return after;
  const earlier = new Map(before.map((title) => [title.id, title]));
  const kept = after.map((title) => keepRowMoments(earlier.get(title.id) ?? title, title));
  return kept.some((title, i) => title !== after[i]) ? kept : after;
}

/**
 * A title whose words were changed, with its rows' moments under what the rows read now, so that the next change finds
 * them; a row that was taken out takes its moment along.
 */
function keepRowMoments(before: Title, after: Title): Title {
  if (before.values === after.values || before.moments !== after.moments) return after;
  const changed = Object.entries(after.moments ?? {}).filter(
    ([id, list]) => list.length > 0 && before.values[id] !== after.values[id],
  );
  if (changed.length === 0) return after;
  const moments = changed.map(([id, list]): [string, RowMoment[]] => {
    const rows = filledRows(String(after.values[id] ?? '')).slice(0, MOST_MOMENTS);
    const own = momentsOfRows(rows, list);
    return [id, rows.map((row, i) => ({ row, seconds: own[i] }))];
  });
  return { ...after, moments: { ...after.moments, ...Object.fromEntries(moments) } };
}
