import type { Look } from '@/core/model/look';
import { FIRST_SHADOW, PLAIN_LOOK } from '@/core/model/look';
import { FIRST_STYLE, newBoxLayer, newTextLayer, placeAt } from '@/core/model/newLayers';
import type {
  BoxLayer,
  Field,
  FieldValue,
  MoveUse,
  Override,
  Place,
  PlaceTarget,
  TextLayer,
  TextStyle,
} from '@/core/model/template';
import type { Shape } from '@/core/frame/formats';
import { MIRRORS_WITH_WORDS } from '@/core/model/mirroring';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import type { PointName } from '@/core/frame/points';

/** Short hands for writing the demo templates. */
export const place = (
  point: PointName,
  target: PlaceTarget,
  targetPoint: PointName,
  dxU = 0,
  dyU = 0,
): Place => placeAt({ point, target, targetPoint, dxU, dyU });

export const onLayer = (layerId: string): PlaceTarget => ({ kind: 'layer', layerId });

export const moveUse = (
  move: string,
  times: readonly [number, number],
  more: Partial<MoveUse> = {},
): MoveUse => newMoveUse(move, { startSeconds: times[0], lengthSeconds: times[1], ...more });

export const barlow = (
  weight: number,
  sizeU: number,
  fill: string,
  more: Partial<TextStyle> = {},
): TextStyle => ({
  ...FIRST_STYLE,
  weight,
  sizeU,
  fill,
  ...more,
});

type TextParts = Pick<TextLayer, 'id' | 'name' | 'style' | 'place'> & { reads: string } & Partial<TextLayer>;

export const text = ({ reads, ...parts }: TextParts): TextLayer => ({
  ...newTextLayer(parts.id, parts.name),
  motion: motionOf(null, 'mirror'),
  runs: [{ text: reads }],
  maxWidthShare: 0.62,
  whenLong: [
    { kind: 'squeeze', minPercent: 82 },
    { kind: 'shrink', minSizeU: 30 },
  ],
  ...parts,
});

type BoxParts = Pick<BoxLayer, 'id' | 'name' | 'fill' | 'place'> & Partial<BoxLayer>;

export const box = (parts: BoxParts): BoxLayer => ({
  ...newBoxLayer(parts.id, parts.name, []),
  motion: motionOf(null, 'mirror'),
  fillOpacity: 1,
  width: { kind: 'encloses' },
  height: { kind: 'encloses' },
  padding: { leftU: 0, topU: 0, rightU: 0, bottomU: 0 },
  ...parts,
});

/** A look with one soft shadow. */
export const shadowed = (distanceU: number, softnessU: number, colour: string, opacity: number): Look => ({
  ...PLAIN_LOOK,
  shadows: [{ ...FIRST_SHADOW, distanceU, softnessU, colour, opacity }],
});

/** A soft dark patch behind words on the picture itself, so that they can be read over anything. */
export const shade = (id: string, encloses: readonly string[], padU: number): BoxLayer =>
  box({
    id,
    name: 'Shade',
    fill: '#06141b',
    fillOpacity: 0.7,
    place: place('centre', onLayer(encloses[0]), 'centre'),
    width: { kind: 'encloses' },
    height: { kind: 'encloses' },
    encloses: [...encloses],
    padding: { leftU: padU, topU: padU * 0.8, rightU: padU, bottomU: padU * 0.8 },
    look: { ...PLAIN_LOOK, blurAcrossU: padU, blurDownU: padU * 0.8 },
    motion: motionOf(moveUse('fade', [0, 0.5]), 'mirror'),
  });

/** What a template has nothing of. */
export const EMPTY = {
  version: 3,
  overrides: [],
  areas: [],
  guides: [],
  marks: [],
  mirroring: MIRRORS_WITH_WORDS,
} as const;

/** One format of each usual shape, the wide one first. */
export const FOUR_SHAPES = ['wide-1080', 'tall-1080', 'square-1080', 'classic-1080'] as const;

/** A text that editors fill. */
export const textField = (
  id: string,
  label: string,
  layerId: string,
  maxLength: number,
  required: boolean,
  help = '',
): Field => ({
  id,
  label,
  kind: 'text',
  help,
  required,
  section: '',
  automatic: null,
  targets: [{ layerId, path: 'text' }],
  limits: { maxLength },
});

/** Faces in the other voice of the channel: Fraunces. */
export const fraunces = (
  weight: number,
  sizeU: number,
  fill: string,
  more: Partial<TextStyle> = {},
): TextStyle => barlow(weight, sizeU, fill, { face: 'fraunces', leading: 1.16, ...more });

/** A property that a shape of format has otherwise. */
export const inShape = (id: Shape, on: string, path: string, value: FieldValue): Override => ({
  scope: { kind: 'shape', id },
  layerId: on,
  path,
  value,
});
