import { createRegistry } from '../kit/registry';
import type { Matrix } from '../kit/matrix';

/** The proportions that a layout adapts to; several formats share one shape. */
export type Shape = 'wide' | 'tall' | 'square' | 'classic';

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

/** The formats that a template or project can be made in. Pixel aspects: ISO/IEC 14496-2. */
export const FORMATS = createRegistry<FrameFormat>('frame format', [
  squarePixels('wide-1080', 'Wide', 'wide', '16:9', 1920, 1080),
  squarePixels('wide-720', 'Wide 720', 'wide', '16:9', 1280, 720),
  squarePixels('wide-2160', 'Wide 2160', 'wide', '16:9', 3840, 2160),
  squarePixels('tall-1080', 'Tall', 'tall', '9:16', 1080, 1920),
  squarePixels('square-1080', 'Square', 'square', '1:1', 1080, 1080),
  squarePixels('classic-1080', 'Classic', 'classic', '4:3', 1440, 1080),
  {
    id: 'classic-576',
    label: 'Classic SD',
    shape: 'classic',
    shapeLabel: '4:3',
    widthPx: 720,
    heightPx: 576,
    pixelAspect: { across: 12, down: 11 },
    activeWidthPx: 704,
  },
]);

/** The short side of every displayed picture, in design units. */
export const SHORT_SIDE_U = 1080;

export interface PictureSize {
  readonly widthU: number;
  readonly heightU: number;
}

/** The displayed picture in design units: 1920 × 1080 u for 16:9, 1440 × 1080 u for 4:3. */
export function pictureSize(format: FrameFormat): PictureSize {
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
