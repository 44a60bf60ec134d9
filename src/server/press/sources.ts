/** Where the press finds what titles show, and what lies under them. */
export interface Sources {
  /** The files of pictures by asset id; those that are not here are left out. */
  pictures(ids: readonly string[]): Promise<ReadonlyMap<string, Uint8Array>>;
  /** The files of fonts by the SHA-256 of their bytes; those that are not here are left out. */
  fonts(ids: readonly string[]): Promise<ReadonlyMap<string, Uint8Array>>;
  /** Where videos lie, by id; those that are not here are left out. */
  videos(ids: readonly string[]): Promise<ReadonlyMap<string, string>>;
}

const nothing = (): Promise<ReadonlyMap<string, never>> => Promise.resolve(new Map<string, never>());

/** Where nothing is: for titles of words in shipped fonts. */
export const NO_SOURCES: Sources = { pictures: nothing, fonts: nothing, videos: nothing };
