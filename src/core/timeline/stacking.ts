import type { Layer } from '../model/template';

/** How layers lie over one another, by their ids. */
export interface Stacking {
  /** What is painted by itself, furthest back first: neither a member of a group nor a matte. */
  readonly top: readonly string[];
  /** The members of each group, furthest back first. */
  readonly members: ReadonlyMap<string, readonly string[]>;
}

/**
 * How layers, given from the nearest, lie over one another. A layer belongs to the first group from the back that
 * names it. A matte is seen only through what it is the matte of.
 */
export function stackingOf(layers: readonly Layer[]): Stacking {
  // The first layer is nearest the viewer, so painting starts with the last.
  const backToFront = layers.toReversed();
  const taken = new Set<string>();
  const members = new Map<string, readonly string[]>();
  for (const layer of backToFront) {
    if (layer.kind !== 'group') continue;
    const own = new Set(layer.members.filter((id) => !taken.has(id)));
    for (const id of own) taken.add(id);
    members.set(
      layer.id,
      idsOf(backToFront).filter((id) => own.has(id)),
    );
  }
  const mattes = new Set(layers.flatMap(({ matte }) => matte?.layerId ?? []));
  return { members, top: idsOf(backToFront).filter((id) => !taken.has(id) && !mattes.has(id)) };
}

const idsOf = (layers: readonly Layer[]): string[] => layers.map(({ id }) => id);
