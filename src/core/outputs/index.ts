import { createRegistry } from '../kit/registry';

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
    note: 'PNG coded. Opens in any editing system, exact to the last bit.',
    extension: 'mov',
    frames: 'png',
    needsFfmpeg: true,
    ground: 'alpha',
    alphaTolerance: 0,
    colourTolerance: { mean: 0, most: 0 },
  },
  {
    id: 'mov-prores',
    label: 'MOV, ProRes 4444',
    note: 'With alpha. The usual exchange format in post-production.',
    extension: 'mov',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'alpha',
    alphaTolerance: 2,
    colourTolerance: { mean: 2, most: 24 },
  },
  {
    id: 'webm-vp9',
    label: 'WebM, VP9 with alpha',
    note: 'Small. For the web and for quick approval.',
    extension: 'webm',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'alpha',
    // Lossy as its colour is: soft shadows on the move were found up to 25 off.
    alphaTolerance: 64,
    // Four pixels share one colour, so a thin bright line on a dark ground can be far off at its edge.
    colourTolerance: { mean: 6, most: 255 },
  },
  {
    id: 'mp4-h264',
    label: 'MP4, H.264 with the pictures',
    note: 'The programme to watch: its pictures, words and sound.',
    extension: 'mp4',
    frames: 'rgba',
    needsFfmpeg: true,
    ground: 'pictures',
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
    alphaTolerance: 0,
    colourTolerance: { mean: 0, most: 0 },
  },
]);
