import { findPicture } from './pictureMatch';

/** A picture or a video that is here: what documents call it, and what people do. */
export interface NamedPicture {
  readonly value: string;
  readonly label: string;
}

/** The pictures and videos that are here, by what sheets call them. */
export interface PictureNames {
  /**
   * The one that a cell means: by its file's name, with or without an ending, or by what documents call it. undefined
   * where none is called so, or where several are.
   */
  find(said: string): string | undefined;
  /** What people call one; undefined for one that is not here. */
  nameOf(value: string): string | undefined;
}

/** For where no pictures are known. */
export const NO_PICTURES: PictureNames = { find: () => undefined, nameOf: () => undefined };

/** Makes pictures known by their names. */
export function pictureNames(here: readonly NamedPicture[]): PictureNames {
  const byValue = new Map(here.map(({ value, label }) => [value, label]));
  const known = here.map(({ value, label }) => ({
    picture: value,
    name: label,
    firstFrame: null,
    lengthFrames: null,
  }));
  return {
    find: (said) => (byValue.has(said) ? said : findPicture({ name: said }, known)?.picture),
    nameOf: (value) => byValue.get(value),
  };
}
