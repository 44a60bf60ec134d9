import type { Point, Rect } from '../kit/rect';

/** A named point of a layer or an area: nine on its box, four on a text's baselines. */
export const POINT_NAMES = [
  'topLeft',
  'top',
  'topRight',
  'left',
  'centre',
  'right',
  'bottomLeft',
  'bottom',
  'bottomRight',
  'baselineStart',
  'baselineEnd',
  'firstBaselineRight',
  'lastBaselineLeft',
] as const;

export type PointName = (typeof POINT_NAMES)[number];

export const POINT_LABELS: Readonly<Record<PointName, string>> = {
  topLeft: 'Top left',
  top: 'Top',
  topRight: 'Top right',
  left: 'Left',
  centre: 'Centre',
  right: 'Right',
  bottomLeft: 'Bottom left',
  bottom: 'Bottom',
  bottomRight: 'Bottom right',
  baselineStart: 'First baseline, left end',
  baselineEnd: 'Last baseline, right end',
  firstBaselineRight: 'First baseline, right end',
  lastBaselineLeft: 'Last baseline, left end',
};

/** A placed layer: its box, and its first and last baseline below the box's top (both the height for a box). */
export interface PlacedBox extends Rect {
  readonly firstBaseline: number;
  readonly lastBaseline: number;
}

type BaselinePoint = 'baselineStart' | 'baselineEnd' | 'firstBaselineRight' | 'lastBaselineLeft';

const SHARES: Readonly<Record<Exclude<PointName, BaselinePoint>, readonly [number, number]>> = {
  topLeft: [0, 0],
  top: [0.5, 0],
  topRight: [1, 0],
  left: [0, 0.5],
  centre: [0.5, 0.5],
  right: [1, 0.5],
  bottomLeft: [0, 1],
  bottom: [0.5, 1],
  bottomRight: [1, 1],
};

/** Where a named point lies, measured from the box's top left corner. */
export function pointWithin(box: Omit<PlacedBox, 'x' | 'y'>, name: PointName): Point {
  if (name === 'baselineStart') return { x: 0, y: box.firstBaseline };
  if (name === 'firstBaselineRight') return { x: box.width, y: box.firstBaseline };
  if (name === 'lastBaselineLeft') return { x: 0, y: box.lastBaseline };
  if (name === 'baselineEnd') return { x: box.width, y: box.lastBaseline };
  const [across, down] = SHARES[name];
  return { x: across * box.width, y: down * box.height };
}

const ACROSS: Readonly<Record<PointName, PointName>> = {
  topLeft: 'topRight',
  top: 'top',
  topRight: 'topLeft',
  left: 'right',
  centre: 'centre',
  right: 'left',
  bottomLeft: 'bottomRight',
  bottom: 'bottom',
  bottomRight: 'bottomLeft',
  baselineStart: 'firstBaselineRight',
  firstBaselineRight: 'baselineStart',
  baselineEnd: 'lastBaselineLeft',
  lastBaselineLeft: 'baselineEnd',
};

/** The point that lies where a named one is seen in a mirror, left for right. */
export function mirrorPoint(name: PointName): PointName {
  return ACROSS[name];
}
