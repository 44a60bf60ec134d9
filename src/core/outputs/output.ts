/**
 * What the pixels of a file are: with straight or premultiplied alpha; the colours alone, as they are (`fill`) or over
 * black (`shapedFill`); how opaque they are as a grey (`key`); light instead of what is shown, premultiplied (`linear`);
 * or a picture that is seen everywhere.
 */
export const PLANES = ['straight', 'premultiplied', 'linear', 'fill', 'shapedFill', 'key', 'opaque'] as const;
export type Plane = (typeof PLANES)[number];

/** Whether files of these pixels have alpha of their own. */
export function hasAlpha(plane: Plane): boolean {
  return plane === 'straight' || plane === 'premultiplied' || plane === 'linear';
}

/** A coding of single pictures. */
export type PictureKind = 'png' | 'tiff' | 'tga' | 'exr';

/** What kinds of file are for, in the order in which menus show them. */
export const OUTPUT_GROUPS = [
  { id: 'alpha', label: 'Video with alpha' },
  { id: 'keyer', label: 'Fill and key' },
  { id: 'watch', label: 'Over the pictures' },
  { id: 'sequence', label: 'Sequences, zipped' },
  { id: 'still', label: 'Stills at rest' },
] as const;
type OutputGroup = (typeof OUTPUT_GROUPS)[number]['id'];

/** A kind of file that the press makes. */
export interface Output {
  readonly id: string;
  readonly group: OutputGroup;
  readonly label: string;
  /** The shortest name that tells it from others of its group. */
  readonly short: string;
  /** What it is good for, in one sentence. */
  readonly note: string;
  readonly extension: 'mov' | 'mxf' | 'webm' | 'mp4' | 'png' | 'webp' | 'tif' | 'tga' | 'exr' | 'zip';
  /** Whether the worker hands over finished pictures of a kind, or raw pixels for an encoder. */
  readonly frames: PictureKind | 'rgba';
  readonly needsFfmpeg: boolean;
  /** The encoders of ffmpeg that it needs, by name. */
  readonly encoders: readonly string[];
  /** How many bits a channel the coding keeps of pixels that were painted finely. */
  readonly bits: 8 | 10 | 16;
  /** Whether it is painted with more than 256 shades when that is asked for, or always. */
  readonly fine: 'asked' | 'always';
  /** Whether frames can be two fields each; it has whole frames otherwise, also in interlaced deliveries. */
  readonly fields: boolean;
  /** Whether it says where in its programme its first frame stands. */
  readonly timecode: boolean;
  /** Whether it cannot say that pixels are wider or narrower than high. */
  readonly squareOnly: boolean;
  /** Whether its pixels are light and not what is shown: linear and multiplied by alpha. */
  readonly linear: boolean;
  /** Whether colours can be asked for multiplied by their alpha. */
  readonly canPremultiply: boolean;
  /** Largest difference of alpha (0 to 255) that the coding may bring; measured, see docs/decisions. */
  readonly alphaTolerance: number;
  /** Largest differences of what is seen over black, grey and white, at the mean and at most (0 to 255). */
  readonly colourTolerance: { readonly mean: number; readonly most: number };
}

const STILL_EXTENSIONS: ReadonlySet<Output['extension']> = new Set(['png', 'tif', 'tga', 'exr']);

/** Whether a kind of file is one picture of a title at rest. */
export function isStill({ frames, extension }: Output): boolean {
  return frames !== 'rgba' && STILL_EXTENSIONS.has(extension);
}

/** Whether the levels of a kind of file can be chosen: video has its own, and light has none. */
export function hasLevels({ frames }: Output): boolean {
  return frames !== 'rgba' && frames !== 'exr';
}

/** Whether a kind of file is pairs of fill and key. */
export function isFillAndKey({ group }: Output): boolean {
  return group === 'keyer';
}

/** Whether words lie over the pictures of their programme; they have alpha of their own otherwise. */
export function hasGround({ group }: Output): boolean {
  return group === 'watch';
}

/** What the files of a title are, one for each. */
export function planesOf(output: Output, premultiplied: boolean): readonly Plane[] {
  if (hasGround(output)) return ['opaque'];
  if (output.linear) return ['linear'];
  const asked = premultiplied && output.canPremultiply;
  if (isFillAndKey(output)) return [asked ? 'shapedFill' : 'fill', 'key'];
  return [asked ? 'premultiplied' : 'straight'];
}

/** What a kind of file needs that is not there; null where it can be made. `encoders`: those of ffmpeg; null without it. */
export function missingFor(
  { needsFfmpeg, encoders }: Output,
  there: ReadonlySet<string> | null,
): string | null {
  if (!needsFfmpeg) return null;
  if (there === null) return 'ffmpeg';
  const missing = encoders.filter((name) => !there.has(name));
  return missing.length === 0 ? null : `the encoder ${missing.join(', ')} of ffmpeg`;
}

/** How the pixels of a file are painted: with 256 shades, with more that are dithered down to these, or with more. */
export type Shades = 'plain' | 'dithered' | 'deep';

/** How the pixels of a kind of file are painted, by whether fine shades are asked for. */
export function shadesOf({ bits, fine }: Output, asked: boolean): Shades {
  if (!asked && fine === 'asked') return 'plain';
  return bits === 8 ? 'dithered' : 'deep';
}
