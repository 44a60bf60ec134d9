import type { BoxLayer, MoveUse, Place, PlaceTarget, TextLayer, TextStyle } from '@/core/document/template';
import { MOVES } from '@/core/moves';
import { presetParams } from '@/core/moves/move';
import type { PointName } from '@/core/layout/points';

/** Short hands for writing the demo templates. */
export const place = (
  point: PointName,
  target: PlaceTarget,
  targetPoint: PointName,
  dxU = 0,
  dyU = 0,
): Place => ({ point, target, targetPoint, dxU, dyU });

export const onLayer = (layerId: string): PlaceTarget => ({ kind: 'layer', layerId });

export const moveUse = (
  move: string,
  times: readonly [number, number],
  more: Partial<MoveUse> = {},
): MoveUse => ({
  move,
  unit: 'layer',
  order: 'forward',
  overlap: 0.5,
  ease: 'settle',
  startSeconds: times[0],
  lengthSeconds: times[1],
  ...more,
  params: { ...presetParams(MOVES.get(move)), ...more.params },
});

export const barlow = (
  weight: number,
  sizeU: number,
  fill: string,
  more: Partial<TextStyle> = {},
): TextStyle => ({
  face: 'barlow-condensed',
  weight,
  sizeU,
  tracking: 0,
  leading: 1.1,
  letterCase: 'typed',
  fill,
  ...more,
});

type TextParts = Pick<TextLayer, 'id' | 'name' | 'style' | 'place'> & { reads: string } & Partial<TextLayer>;

export const text = ({ reads, ...parts }: TextParts): TextLayer => ({
  kind: 'text',
  visible: true,
  opacity: 1,
  shadow: null,
  motion: { in: null, out: 'mirror' },
  runs: [{ text: reads }],
  align: 'left',
  maxWidthShare: 0.62,
  whenLong: [
    { kind: 'squeeze', minPercent: 82 },
    { kind: 'shrink', minSizeU: 30 },
  ],
  ...parts,
});

type BoxParts = Pick<BoxLayer, 'id' | 'name' | 'fill' | 'place'> & Partial<BoxLayer>;

export const box = (parts: BoxParts): BoxLayer => ({
  kind: 'box',
  visible: true,
  opacity: 1,
  shadow: null,
  motion: { in: null, out: 'mirror' },
  fillOpacity: 1,
  radiusU: 0,
  outline: null,
  width: { kind: 'encloses' },
  height: { kind: 'encloses' },
  encloses: [],
  padding: { leftU: 0, topU: 0, rightU: 0, bottomU: 0 },
  ...parts,
});
