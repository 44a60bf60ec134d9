import type { Point, Rect } from '../kit/rect';
import { middleOf } from '../kit/rect';
import { smoothNoise } from '../kit/smoothNoise';
import type { Bend } from '../model/bend';

/** Where a point of a layer's shapes lies once it is bent, and how short pieces of them must be to follow. */
export interface Bending {
  readonly map: (point: Point) => Point;
  readonly pieceU: number;
}

const TURN = 2 * Math.PI;
// A wave, a hill and a half circle are drawn with at least so many pieces.
const PIECES_PER_WAVE = 32;
const PIECES_PER_HILL = 12;
const DEGREES_PER_PIECE = 3;
const SHORTEST_PIECE_U = 0.5;
const LONGEST_PIECE_U = 400;

/**
 * What a bend does to points of a box, all in design units; null for one that does nothing. In this order: it leans
 * about its foot, runs in a wave, is stirred by noise, and lies on an arc that its level middle line keeps its length on.
 */
export function bendingOf(bend: Bend, box: Rect): Bending | null {
  const steps = [leaning(bend, box), waving(bend, box), stirred(bend), arched(bend, box)].filter(
    (step) => step !== null,
  );
  if (steps.length === 0) return null;
  const mirror = ({ x, y }: Point): Point => ({ x: 2 * box.x + box.width - x, y });
  const bent = (point: Point): Point => steps.reduce((now, { map }) => map(now), point);
  const pieceU = Math.max(SHORTEST_PIECE_U, Math.min(...steps.map((step) => step.pieceU)));
  return { pieceU, map: bend.mirrored === true ? (point) => mirror(bent(mirror(point))) : bent };
}

function leaning({ leanDegrees }: Bend, box: Rect): Bending | null {
  if (leanDegrees === 0) return null;
  const slope = Math.tan((leanDegrees * Math.PI) / 180);
  const foot = box.y + box.height;
  return { pieceU: LONGEST_PIECE_U, map: ({ x, y }) => ({ x: x + (foot - y) * slope, y }) };
}

function waving({ waveU, waveLengthU, waveShift }: Bend, box: Rect): Bending | null {
  if (waveU === 0) return null;
  return {
    pieceU: waveLengthU / PIECES_PER_WAVE,
    map: ({ x, y }) => ({ x, y: y + waveU * Math.sin(TURN * ((x - box.x) / waveLengthU - waveShift)) }),
  };
}

function stirred({ noiseU, noiseSizeU, noiseShift, seed }: Bend): Bending | null {
  if (noiseU === 0) return null;
  const noise = (which: number, { x, y }: Point): number =>
    noiseU * smoothNoise(seed + which, x / noiseSizeU, y / noiseSizeU, noiseShift);
  return {
    pieceU: noiseSizeU / PIECES_PER_HILL,
    map: (point) => ({ x: point.x + noise(0, point), y: point.y + noise(1, point) }),
  };
}

function arched({ arcDegrees }: Bend, box: Rect): Bending | null {
  if (arcDegrees === 0 || box.width <= 0) return null;
  const radius = box.width / ((arcDegrees * Math.PI) / 180);
  const { x: cx, y: cy } = middleOf(box);
  return {
    pieceU: Math.abs(radius) * ((DEGREES_PER_PIECE * Math.PI) / 180),
    map: ({ x, y }) => {
      const angle = (x - cx) / radius;
      const from = radius - (y - cy);
      return { x: cx + from * Math.sin(angle), y: cy + radius - from * Math.cos(angle) };
    },
  };
}
