import type { Registry } from '../kit/registry';
import { createRegistry } from '../kit/registry';
import type { Matrix } from '../kit/matrix';

/** The proportions that a layout adapts to; several formats share one shape. */
export const SHAPES = ['ultra', 'wide', 'classic', 'square', 'tall'] as const;
export type Shape = (typeof SHAPES)[number];

export const SHAPE_LABELS: Readonly<Record<Shape, string>> = {
  ultra: 'Ultra-wide',
  wide: 'Wide',
  classic: 'Classic',
  square: 'Square',
  tall: 'Tall',
};

/** Margins of an area as shares of the picture's width (left, right) and height (top, bottom). */
export interface Margins {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A frame as it is stored, with what is needed to show it in its true proportions. */
export interface FrameFormat {
  readonly id: string;
  readonly label: string;
  readonly shape: Shape;
  readonly shapeLabel: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Width of a pixel divided by its height, as an exact fraction. */
  readonly pixelAspect: { readonly across: number; readonly down: number };
  /** Stored columns that carry the picture; fewer than widthPx for standard definition (704 of 720). */
  readonly activeWidthPx: number;
  /** A title-safe area of the designer's own in place of the shape's. */
  readonly ownTitleSafe?: Margins;
  /** Whether its frames go out as two fields, so that what goes by whole lines does so in each. */
  readonly interlaced?: boolean;
}

const squarePixels = (
  id: string,
  label: string,
  shape: Shape,
  shapeLabel: string,
  widthPx: number,
  heightPx: number,
): FrameFormat => ({
  id,
  label,
  shape,
  shapeLabel,
  widthPx,
  heightPx,
  pixelAspect: { across: 1, down: 1 },
  activeWidthPx: widthPx,
});

const standardDefinition = (
  id: string,
  label: string,
  shape: Shape,
  shapeLabel: string,
  heightPx: number,
  across: number,
  down: number,
): FrameFormat => ({
  id,
  label,
  shape,
  shapeLabel,
  widthPx: 720,
  heightPx,
  pixelAspect: { across, down },
  activeWidthPx: 704,
});

/** The formats that are offered. Pixel aspects: ISO/IEC 14496-2 and H.264 table E-1. */
const KNOWN = createRegistry<FrameFormat>('frame format', [
  squarePixels('wide-1080', 'Wide', 'wide', '16:9', 1920, 1080),
  squarePixels('wide-720', 'Wide 720', 'wide', '16:9', 1280, 720),
  squarePixels('wide-2160', 'Wide 2160', 'wide', '16:9', 3840, 2160),
  squarePixels('tall-1080', 'Tall', 'tall', '9:16', 1080, 1920),
  squarePixels('square-1080', 'Square', 'square', '1:1', 1080, 1080),
  squarePixels('classic-1080', 'Classic', 'classic', '4:3', 1440, 1080),
  squarePixels('ultra-1080', 'Ultra-wide', 'ultra', '64:27', 2560, 1080),
  standardDefinition('classic-576', 'Classic SD', 'classic', '4:3', 576, 12, 11),
  standardDefinition('wide-576', 'Wide SD', 'wide', '16:9', 576, 16, 11),
  standardDefinition('classic-480', 'Classic SD 525', 'classic', '4:3', 480, 10, 11),
  standardDefinition('wide-480', 'Wide SD 525', 'wide', '16:9', 480, 40, 33),
]);

const CUSTOM_ID = /^custom-(\d{2,4})x(\d{2,4})$/;
/** The smallest and largest side of a format of one's own, in px. */
export const CUSTOM_SIDE_PX = { least: 64, most: 7680 } as const;

/** A format of one's own size with square pixels; undefined for an id that is none or a side out of range. */
function customFormat(id: string): FrameFormat | undefined {
  const found = CUSTOM_ID.exec(id);
  if (found === null) return undefined;
  const [width, height] = [Number(found[1]), Number(found[2])];
  const inRange = (side: number): boolean => side >= CUSTOM_SIDE_PX.least && side <= CUSTOM_SIDE_PX.most;
  if (!inRange(width) || !inRange(height)) return undefined;
  return squarePixels(id, 'Custom', shapeFor(width / height), `${width} × ${height}`, width, height);
}

/** The id of a format of one's own size. */
export function customFormatId(widthPx: number, heightPx: number): string {
  return `custom-${Math.round(widthPx)}x${Math.round(heightPx)}`;
}

/** The shape that a picture's aspect is counted to: the borders lie half way between the shapes' own aspects. */
function shapeFor(aspect: number): Shape {
  if (aspect > 2.05) return 'ultra';
  if (aspect > 1.55) return 'wide';
  if (aspect > 1.15) return 'classic';
  return aspect > 0.78 ? 'square' : 'tall';
}

/** Every format by id, those of one's own among them; listed are the ones that are offered. */
export const FORMATS: Registry<FrameFormat> = {
  ...KNOWN,
  find: (id) => KNOWN.find(id) ?? customFormat(id),
  get: (id) => customFormat(id) ?? KNOWN.get(id),
};

/** The short side of every displayed picture, in design units. */
export const SHORT_SIDE_U = 1080;

export interface FrameSizeU {
  readonly widthU: number;
  readonly heightU: number;
}

/** The displayed picture in design units: 1920 × 1080 u for 16:9, 1440 × 1080 u for 4:3. */
export function pictureSize(format: FrameFormat): FrameSizeU {
  const displayWidth = (format.activeWidthPx * format.pixelAspect.across) / format.pixelAspect.down;
  const scale = SHORT_SIDE_U / Math.min(displayWidth, format.heightPx);
  return { widthU: displayWidth * scale, heightU: format.heightPx * scale };
}

/** The map from design units to stored pixels. */
export function unitsToPixels(format: FrameFormat): Matrix {
  const { widthU, heightU } = pictureSize(format);
  const margin = (format.widthPx - format.activeWidthPx) / 2;
  return [format.activeWidthPx / widthU, 0, 0, format.heightPx / heightU, margin, 0];
}

const fielded = new Map<string, FrameFormat>();

/** The format that a delivery is painted in; for the same delivery always the same object. Throws for an unknown id. */
export function paintedFormat(id: string, interlaced: boolean): FrameFormat {
  if (!interlaced) return FORMATS.get(id);
  const made = fielded.get(id) ?? { ...FORMATS.get(id), interlaced };
  fielded.set(id, made);
  return made;
}
