/** How the shapes of a layer are bent out of the straight, at rest and by keys. Letters are bent, not only moved. */
export interface Bend {
  /** To the right at the top, about the foot of the layer's box. */
  readonly leanDegrees: number;
  /** The arc that the layer's width lies on; positive with its middle up, negative with its middle down. */
  readonly arcDegrees: number;
  /** How high a wave along the layer is, how long, and by how many of its lengths it is moved on. */
  readonly waveU: number;
  readonly waveLengthU: number;
  readonly waveShift: number;
  /** How far points are stirred, how large the hills of the noise are, and how far it has changed. */
  readonly noiseU: number;
  readonly noiseSizeU: number;
  readonly noiseShift: number;
  readonly seed: number;
  /** Left for right; only in a layer as it is drawn. */
  readonly mirrored?: boolean;
}

/** A bend as it is first put on: an arc that can be seen, the other ways with nothing in them yet. */
export const FIRST_BEND: Bend = {
  leanDegrees: 0,
  arcDegrees: 30,
  waveU: 0,
  waveLengthU: 320,
  waveShift: 0,
  noiseU: 0,
  noiseSizeU: 80,
  noiseShift: 0,
  seed: 1,
};
