import { sameValue } from './sameValue';

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
