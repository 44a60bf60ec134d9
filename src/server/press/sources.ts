/** Where the press finds what titles show, and what lies under them. */
export interface Sources {
  /** The files of pictures by asset id; those that are not here are left out. */
  pictures(ids: readonly string[]): Promise<ReadonlyMap<string, Uint8Array>>;
  /** Where videos lie, by id; those that are not here are left out. */
  videos(ids: readonly string[]): Promise<ReadonlyMap<string, string>>;
}
