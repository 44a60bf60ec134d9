import { plainFileName } from './pictureMatch';

/** A picture or a video that is here: what documents call it, and what people do. */
export interface NamedPicture {
  readonly value: string;
  readonly label: string;
}

/** The pictures and videos that are here, by what sheets call them. */
export interface PictureNames {
  /**
   * Those that a cell may mean: by what documents call it, else by its file's name, else by that without an ending. None
   * where none is called so.
   */
  find(said: string): readonly string[];
  /** What people call one; undefined for one that is not here. */
  nameOf(value: string): string | undefined;
}

/** For where no pictures are known. */
export const NO_PICTURES: PictureNames = { find: () => [], nameOf: () => undefined };

/** Makes pictures known by their names. */
export function pictureNames(here: readonly NamedPicture[]): PictureNames {
  const byValue = new Map(here.map(({ value, label }) => [value, label]));
  // As written first, since two may differ in their endings alone.
  const ranks = [lowerCase, plainFileName].map((nameOf) => ({ nameOf, byName: grouped(here, nameOf) }));
  return {
    find(said) {
      if (byValue.has(said)) return [said];
      for (const { nameOf, byName } of ranks) {
        const found = byName.get(nameOf(said));
        if (found !== undefined) return found;
      }
      return [];
    },
    nameOf: (value) => byValue.get(value),
  };
}

const lowerCase = (name: string): string => name.trim().toLowerCase();

function grouped(
  here: readonly NamedPicture[],
  nameOf: (name: string) => string,
): ReadonlyMap<string, readonly string[]> {
  const groups = new Map<string, string[]>();
  for (const { value, label } of here) {
    const name = nameOf(label);
    const others = groups.get(name);
    if (others === undefined) groups.set(name, [value]);
    else others.push(value);
  }
  return groups;
}
