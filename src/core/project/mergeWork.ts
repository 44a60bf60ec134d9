import type { Plan } from '../document/plan';
import type { Title } from '../document/project';
import { sameValue } from '../kit/sameValue';

/** A cell that two desks changed in different ways. Both values are kept until somebody chooses. */
export interface CellConflict {
  readonly titleId: string;
  /** A property of the title, or `values.` and a field's id. */
  readonly cell: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** Two states of a title that come from one, put together. */
export interface MergedTitle {
  readonly title: Title;
  readonly conflicts: readonly CellConflict[];
}

type Parts = Readonly<Record<string, unknown>>;

/**
 * A title that was changed here and elsewhere: each cell is what the desk that changed it made of it. Where both
 * changed a cell to different values it says what was made of it here, and the conflict is listed.
 */
export function mergeTitle(base: Title, mine: Title, theirs: Title): MergedTitle {
  const conflicts: CellConflict[] = [];
  const pick = (cell: string, was: unknown, here: unknown, there: unknown): unknown => {
    if (sameValue(here, there) || sameValue(was, there)) return here;
    if (sameValue(was, here)) return there;
    conflicts.push({ titleId: mine.id, cell, mine: here, theirs: there });
    return here;
  };
  const parts: Record<string, unknown> = {};
  for (const key of keysOf(base, mine, theirs)) {
    if (key === 'values') continue;
    parts[key] = pick(key, partOf(base, key), partOf(mine, key), partOf(theirs, key));
  }
  const values: Record<string, unknown> = {};
  for (const key of keysOf(base.values, mine.values, theirs.values)) {
    const value = pick(`values.${key}`, base.values[key], mine.values[key], theirs.values[key]);
    if (value !== undefined) values[key] = value;
  }
  // Every property comes from one of three titles.
  return { title: { ...mine, ...parts, values } as Title, conflicts };
}

/**
 * Two lists that come from one, put together: what either added is there, what either removed is gone unless the other
 * changed it, what both changed goes through `both`. What only one of them has as the other keeps its place.
 */
export function mergeList<T extends { readonly id: string }>(
  base: readonly T[],
  mine: readonly T[],
  theirs: readonly T[],
  both: (base: T, mine: T, theirs: T) => T,
): readonly T[] {
  const was = new Map(base.map((one) => [one.id, one]));
  const there = new Map(theirs.map((one) => [one.id, one]));
  const here = new Set(mine.map(({ id }) => id));
  const kept = mine.flatMap((one): T[] => {
    const [before, other] = [was.get(one.id), there.get(one.id)];
    // Removed elsewhere: gone, unless it was changed here.
    if (other === undefined) return before === undefined || !sameValue(before, one) ? [one] : [];
    if (one === other || sameValue(one, other)) return [other];
    if (before === undefined) return [one];
    if (one === before || sameValue(one, before)) return [other];
    return [sameValue(before, other) ? one : both(before, one, other)];
  });
  const added = theirs.filter((one) => {
    if (here.has(one.id)) return false;
    const before = was.get(one.id);
    // Removed here: it stays when it was changed elsewhere.
    return before === undefined || !sameValue(before, one);
  });
  return [...kept, ...added];
}

/** Two plans that come from one, put together: each entry of its lists by itself. */
export function mergePlan(base: Plan, mine: Plan, theirs: Plan): Plan {
  if (sameValue(mine, base)) return theirs;
  const merge = <T extends { readonly id: string }>(key: (plan: Plan) => readonly T[]): readonly T[] =>
    mergeList(key(base), key(mine), key(theirs), (_, here) => here);
  return {
    deliveries: merge((plan) => plan.deliveries),
    markers: merge((plan) => plan.markers),
    words: merge((plan) => plan.words.map((word) => ({ id: word }))).map(({ id }) => id),
    setAside: merge((plan) => plan.setAside.map((one) => ({ ...one, id: one.key }))).map(
      ({ key, reason }) => ({
        key,
        reason,
      }),
    ),
  };
}

/** A title with one cell set to a value; a missing value clears a field. */
export function withConflictCell(title: Title, cell: string, value: unknown): Title {
  if (!cell.startsWith('values.')) return { ...title, [cell]: value };
  const { [cell.slice('values.'.length)]: _, ...rest } = title.values;
  const entry = value === undefined ? {} : { [cell.slice('values.'.length)]: value };
  return { ...title, values: { ...rest, ...entry } as Title['values'] };
}

function partOf(value: object, key: string): unknown {
  return Reflect.get(value, key);
}

function keysOf(...objects: readonly (Parts | Title)[]): ReadonlySet<string> {
  return new Set(objects.flatMap((one) => Object.keys(one)));
}
