/** A picture file to be checked, as it goes to the process that opens it. */
export interface PictureTask {
  readonly bytes: Uint8Array;
  /** The ending of the file's name in small letters, without its dot. */
  readonly ending: string;
}

/** A picture that decodes whole, as it is kept. */
export interface PreparedPicture {
  readonly mediaType: 'image/png' | 'image/jpeg' | 'image/webp';
  readonly bytes: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  /** The size that the file says it has: for a drawing its own, which is painted sharper than a pixel a unit. */
  readonly ownWidth: number;
  readonly ownHeight: number;
  /** What was done to it that a designer should know, as sentences. */
  readonly notes: readonly string[];
}

/** The longest side that a picture may have. */
export const LARGEST_SIDE_PX = 8192;
