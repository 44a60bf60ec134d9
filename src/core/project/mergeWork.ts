import type { Plan } from '../model/plan';
import type { Title } from '../model/project';
import { mergeEntry, mergeList } from '../kit/mergeParts';
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

/** Two plans that come from one, put together: each entry of its lists by itself; of what is one value, mine holds where both changed it. */
export function mergePlan(base: Plan, mine: Plan, theirs: Plan): Plan {
  if (sameValue(mine, base)) return theirs;
  const merge = <T extends { readonly id: string }>(key: (plan: Plan) => readonly T[]): readonly T[] =>
    mergeList(key(base), key(mine), key(theirs), mergeEntry);
  const one = <T>(key: (plan: Plan) => T): T => (sameValue(key(mine), key(base)) ? key(theirs) : key(mine));
  const captions = merge((plan) => plan.captions ?? []);
  const [language, clock] = [one((plan) => plan.language), one((plan) => plan.clock)];
  return {
    ...(language !== undefined && { language }),
    ...(clock !== undefined && { clock }),
    ...(captions.length > 0 && { captions }),
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
