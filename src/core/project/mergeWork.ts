import type { Plan } from '../document/plan';
import type { Title } from '../document/project';
import { sameValue } from '../kit/sameValue';
import { cellsOf, withCellValue } from './titleCells';

/** A cell that two desks changed in different ways. Both values are kept until somebody chooses. */
export interface CellConflict {
  readonly titleId: string;
  /** Its name, as `parseCell` reads it. */
  readonly cell: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** Two states of a title that come from one, put together. */
export interface MergedTitle {
  readonly title: Title;
  readonly conflicts: readonly CellConflict[];
}

/**
 * A title that was changed here and elsewhere: each cell is what the desk that changed it made of it. Where both
 * changed a cell to different values it says what was made of it here, and the conflict is listed.
 */
export function mergeTitle(base: Title, mine: Title, theirs: Title): MergedTitle {
  const conflicts: CellConflict[] = [];
  const [was, here, there] = [cellsOf(base), cellsOf(mine), cellsOf(theirs)];
  let title = mine;
  for (const cell of new Set([...was.keys(), ...there.keys()])) {
    const [before, own, other] = [was.get(cell), here.get(cell), there.get(cell)];
    if (sameValue(own, other) || sameValue(before, other)) continue;
    if (sameValue(before, own)) title = withCellValue(title, cell, other);
    else conflicts.push({ titleId: mine.id, cell, mine: own, theirs: other });
  }
  return { title, conflicts };
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

/** An entry that was changed here and elsewhere: each property as the desk that changed it has it; this one's where both did. */
export function mergeEntry<T extends object>(base: T, mine: T, theirs: T): T {
  const untouched = Object.keys(theirs).filter((key) =>
    sameValue(Reflect.get(base, key), Reflect.get(mine, key)),
  );
  return { ...mine, ...Object.fromEntries(untouched.map((key) => [key, Reflect.get(theirs, key)])) };
}

/** Two plans that come from one, put together: each entry of its lists by itself. */
export function mergePlan(base: Plan, mine: Plan, theirs: Plan): Plan {
  if (sameValue(mine, base)) return theirs;
  const merge = <T extends { readonly id: string }>(key: (plan: Plan) => readonly T[]): readonly T[] =>
    mergeList(key(base), key(mine), key(theirs), mergeEntry);
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
