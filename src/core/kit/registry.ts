/** A family of variants that is open: looked up by id, listed in the order it was given. */
export interface Registry<T extends { readonly id: string }> {
  readonly family: string;
  readonly list: readonly T[];
  /** The variant with this id, or undefined. */
  find(id: string): T | undefined;
  /** The variant with this id; throws with the known ids when there is none. */
  get(id: string): T;
}

/** Makes a registry; throws at load when two variants share an id. */
export function createRegistry<T extends { readonly id: string }>(
  family: string,
  list: readonly T[],
): Registry<T> {
  const byId = new Map<string, T>();
  for (const item of list) {
    if (byId.has(item.id)) throw new Error(`Two ${family} share the id "${item.id}"`);
    byId.set(item.id, item);
  }
  return {
    family,
    list,
    find: (id) => byId.get(id),
    get(id) {
      const item = byId.get(id);
      if (item === undefined) {
        throw new Error(`Unknown ${family} "${id}"; known are ${[...byId.keys()].join(', ')}`);
      }
      return item;
    },
  };
}
