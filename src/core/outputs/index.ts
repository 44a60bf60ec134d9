import { createRegistry } from '../kit/registry';

/**
 * What the pixels of a file are: with straight or premultiplied alpha; the colours alone, as they are (`fill`) or over
 * black (`shapedFill`); how opaque they are as a grey (`key`); or a picture that is seen everywhere.
 */
export type Plane = 'straight' | 'premultiplied' | 'fill' | 'shapedFill' | 'key' | 'opaque';

/** Whether files of these pixels have alpha of their own. */
export function hasAlpha(plane: Plane): boolean {
  return plane === 'straight' || plane === 'premultiplied';
}

/** A kind of file that the press makes. */
export interface Output {
  readonly id: string;
  readonly label: string;
  /** What it is good for, in one sentence. */
  readonly note: string;
  readonly extension: 'mov' | 'webm' | 'mp4' | 'png' | 'zip';
  /** Whether the worker hands over finished PNG files or raw pixels. */
  readonly frames: 'png' | 'rgba';
  readonly needsFfmpeg: boolean;
  /** What its words lie on: nothing (they have alpha), or the pictures of their programme. */
  readonly ground: 'alpha' | 'pictures';
  /** What each title becomes: a file with alpha, or a file of its colours and one of its alpha. */
  readonly files: 'one' | 'fillAndKey';
  /** Whether colours can be asked for multiplied by their alpha. */
  readonly canPremultiply: boolean;
  /** Largest difference of alpha (0 to 255) that the coding may bring; measured, see docs/decisions. */
  readonly alphaTolerance: number;
  /** Largest differences of what is seen over black, grey and white, at the mean and at most (0 to 255). */
  readonly colourTolerance: { readonly mean: number; readonly most: number };
}

/** Every kind of file, the usual choice first. */
export const OUTPUTS = createRegistry<Output>('output', [
  {
    id: 'mov-png',
    label: 'MOV, lossless alpha',
    note: 'PNG coded, exact to the last bit.',
    extension: 'mov',
    frames: 'png',
    needsFfmpeg: true,
    ground: 'alpha',
    files: 'one',
    canPremultiply: false,
    alphaTolerance: 0,
    colourTolerance: { mean: 0, most: 0 },
  },
  {
    id: 'mov-prores',
    label: 'MOV, ProRes 4444',
    note: 'The usual exchange in post-production.',
    extension: 'mov',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'alpha',
    files: 'one',
    canPremultiply: true,
    alphaTolerance: 2,
    colourTolerance: { mean: 2, most: 24 },
  },
  {
    id: 'mov-fill-key',
    label: 'Fill and key, ProRes 422 HQ',
    note: 'Two MOV files of the same frames, for keyers.',
    extension: 'mov',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'alpha',
    files: 'fillAndKey',
    canPremultiply: true,
    alphaTolerance: 0,
    // Two pixels share one colour.
    colourTolerance: { mean: 3, most: 255 },
  },
  {
    id: 'webm-vp9',
    label: 'WebM, VP9 with alpha',
    note: 'Small. For the web and for quick approval.',
    extension: 'webm',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'alpha',
    files: 'one',
    canPremultiply: false,
    // Lossy as its colour is: soft shadows on the move were found up to 25 off.
    alphaTolerance: 64,
    // Four pixels share one colour, so a thin bright line on a dark ground can be far off at its edge.
    colourTolerance: { mean: 6, most: 255 },
  },
  {
    id: 'mp4-h264',
    label: 'MP4, H.264 with the pictures',
    note: 'To watch: pictures, words and sound.',
    extension: 'mp4',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'pictures',
    files: 'one',
    canPremultiply: false,
    alphaTolerance: 0,
    // Four pixels share one colour here too.
    colourTolerance: { mean: 6, most: 255 },
  },
  {
    id: 'png-sequence',
    label: 'PNG sequence in a zip',
    note: 'One numbered picture a frame, with alpha.',
    extension: 'zip',
    frames: 'png',
    needsFfmpeg: false,
    ground: 'alpha',
    files: 'one',
    canPremultiply: false,
    alphaTolerance: 0,
    colourTolerance: { mean: 0, most: 0 },
  },
  {
    id: 'png-still',
    label: 'PNG still',
    note: 'One picture of the title at rest, with alpha.',
    extension: 'png',
    frames: 'png',
    needsFfmpeg: false,
    ground: 'alpha',
    files: 'one',
    canPremultiply: false,
    alphaTolerance: 0,
    colourTolerance: { mean: 0, most: 0 },
  },
  {
    id: 'png-fill-key',
    label: 'PNG stills, fill and key',
    note: 'Two pictures of the title at rest, for keyers.',
    extension: 'png',
    frames: 'png',
    needsFfmpeg: false,
    ground: 'alpha',
    files: 'fillAndKey',
    canPremultiply: true,
    alphaTolerance: 0,
    colourTolerance: { mean: 0, most: 0 },
  },
]);

/** What the files of a title are, one for each. */
export function planesOf(
  { ground, files, canPremultiply }: Output,
  premultiplied: boolean,
): readonly Plane[] {
  if (ground === 'pictures') return ['opaque'];
  const asked = premultiplied && canPremultiply;
  if (files === 'fillAndKey') return [asked ? 'shapedFill' : 'fill', 'key'];
  return [asked ? 'premultiplied' : 'straight'];
}
