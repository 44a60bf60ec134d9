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

/** Why a picture is not taken: the parts of an InputError but its place. */
interface PictureRefusal {
  readonly expected: string;
  readonly got: string;
  readonly advice: string;
}

export type PictureAnswer =
  | { readonly type: 'prepared'; readonly picture: PreparedPicture }
  | { readonly type: 'refused'; readonly refusal: PictureRefusal };

/** Thrown inside the process for a picture that is not taken. */
export class RefusedPicture extends Error {
  override readonly name = 'RefusedPicture';

  constructor(readonly refusal: PictureRefusal) {
    super(refusal.expected);
  }

  static of(expected: string, got: string, advice = 'Export it again.'): RefusedPicture {
    return new RefusedPicture({ expected, got, advice });
  }
}

/** The longest side that a picture may have. */
export const LARGEST_SIDE_PX = 8192;
