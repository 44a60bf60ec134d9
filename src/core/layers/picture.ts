import type { FieldValue, PictureLayer, PictureView } from '../model/template';
import { pictureAt, videoId } from '../display/moving';
import { rectOutline } from '../display/shapes';
import type { Rect } from '../kit/rect';
import type { LayerBinding, LayerUnit, MeasureContext, Measured, PictureSize, Property } from './layerKind';
import type { UnitShape } from '../display/unitShape';
import { NO_TEXT } from './layerKind';
import { pathShape, solid } from '../display/unitShape';
import {
  choiceProperty,
  figuresProperty,
  numberProperty,
  pictureProperty,
  readFigures,
  writeFigures,
} from './properties';

/** A picture layer with its properties. */
export function bindPicture(layer: PictureLayer): LayerBinding {
  return {
    kindLabel: 'picture',
    unitKinds: ['layer'],
    properties: () => [
      pictureProperty('asset', 'Picture', layer.asset, (asset) => ({ ...layer, asset })),
      choiceProperty(
        'sizing',
        'Size',
        [
          { value: 'auto', label: 'Its own' },
          { value: 'fixed', label: 'Set here' },
        ],
        layer.sizing,
        (sizing) => ({ ...layer, sizing }),
      ),
      choiceProperty(
        'fit',
        'Fits by',
        [
          { value: 'contain', label: 'Whole' },
          { value: 'cover', label: 'Filling' },
          { value: 'stretch', label: 'Stretch' },
        ],
        layer.fit,
        (fit) => ({ ...layer, fit }),
      ),
      viewProperty(layer),
      ...(layer.sizing === 'fixed'
        ? [
            numberProperty('widthU', 'Width', ['u', 1, 8000, 1], layer.widthU, (widthU) => ({
              ...layer,
              widthU,
            })),
            numberProperty('heightU', 'Height', ['u', 1, 8000, 1], layer.heightU, (heightU) => ({
              ...layer,
              heightU,
            })),
          ]
        : []),
    ],
    dependsOn: [],
    measuresAfter: [],
    measure: (context) => measurePicture(layer, context),
  };
}

const VIEW_FIGURES = [
  { label: 'View, middle across', unit: '%', min: 0, max: 100, step: 1 },
  { label: 'View, middle down', unit: '%', min: 0, max: 100, step: 1 },
  { label: 'View, size', unit: '%', min: 100, max: 5000, step: 5 },
] as const;

/** The path of the part of a picture that is seen. */
export const VIEW_PATH = 'view';

/** The figures of a view in per cent, as its property has them. */
export const viewFigures = ({ x, y, zoom }: PictureView): string =>
  writeFigures([x * 100, y * 100, zoom * 100].map((one) => Math.round(one * 1000) / 1000));

/** A view from its figures in per cent; null where they are none. */
export function readView(value: FieldValue): PictureView | null {
  const figures = readFigures(value, VIEW_FIGURES);
  if (figures === null) return null;
  const [x, y, zoom] = figures.map((one) => one / 100);
  return { x, y, zoom };
}

function viewProperty(layer: PictureLayer): Property {
  const { view = null } = layer;
  const property = figuresProperty(VIEW_PATH, 'View of the picture', VIEW_FIGURES, null, () => layer);
  return {
    ...property,
    value: view === null ? '' : viewFigures(view),
    with: (next) => ({ ...layer, view: readView(next) }),
    mix: (from, to, share) => {
      const [a, b] = [readView(from), readView(to)];
      return a === null || b === null ? (share < 1 ? from : to) : viewFigures(mixViews(a, b, share));
    },
  };
}

/**
 * A view between two: it grows by the same factor in the same time, and goes straight to where it ends, so that what is
 * seen never leaves the two and all between them.
 */
export function mixViews(a: PictureView, b: PictureView, share: number): PictureView {
  const zoom = a.zoom * (b.zoom / a.zoom) ** share;
  // The width of what is seen is 1 ÷ zoom of the picture's; its edges go in a straight line with that.
  const [from, to, now] = [1 / a.zoom, 1 / b.zoom, 1 / zoom];
  const along = Math.abs(to - from) < 1e-9 ? share : (now - from) / (to - from);
  return { x: a.x + (b.x - a.x) * along, y: a.y + (b.y - a.y) * along, zoom: Math.max(1, zoom) };
}

/** The part of a picture that a view shows in a box, in the picture's px; never beyond its edge. */
export function viewCrop(size: PictureSize, box: Rect, { x, y, zoom }: PictureView): Rect {
  const whole = coverCrop(size, box);
  const [width, height] = [whole.width / zoom, whole.height / zoom];
  const within = (middle: number, side: number, of: number): number =>
    Math.max(0, Math.min(of - side, middle * of - side / 2));
  return { x: within(x, width, size.widthPx), y: within(y, height, size.heightPx), width, height };
}

// A picture whose proportions are the frame's within half a percent was drawn on a full-frame canvas.
const FULL_FRAME_TOLERANCE = 0.005;

/** Whether a picture is taken as drawn on a full-frame canvas: its aspect is the frame's within 0.5 %. */
export function isFullFrame(picture: PictureSize, frame: Rect): boolean {
  const aspect = picture.widthPx / picture.heightPx;
  return Math.abs(aspect / (frame.width / frame.height) - 1) <= FULL_FRAME_TOLERANCE;
}

function measurePicture(layer: PictureLayer, context: MeasureContext): Measured | null {
  const size = layer.asset === null ? undefined : context.pictures.size(layer.asset);
  const { frame } = context;
  const own = (): Partial<Rect> & { width: number; height: number } => {
    if (layer.sizing === 'fixed') return { width: layer.widthU, height: layer.heightU };
    if (size === undefined) return { width: 320, height: 180 };
    if (isFullFrame(size, frame)) return { x: 0, y: 0, width: frame.width, height: frame.height };
    if (layer.asset !== null && videoId(layer.asset) !== null) return largestWithin(size, frame);
    return { width: size.widthPx, height: size.heightPx };
  };
  const { width, height, x, y } = own();
  if (width <= 0 || height <= 0) return null;
  const drawn = (box: Rect, seconds: number, frameSeconds: number): UnitShape =>
    size === undefined || layer.asset === null
      ? pictureStandIn(box)
      : imageShape(box, layer, size, pictureAt(layer.asset, seconds, frameSeconds));
  const plays = size !== undefined && layer.asset !== null && videoId(layer.asset) !== null;
  return {
    ...NO_TEXT,
    width,
    height,
    x,
    y,
    firstBaseline: height,
    lastBaseline: height,
    units: (_kind, box): LayerUnit[] => [{ box, ink: box, shapes: [drawn(box, 0, 1)] }],
    ...(plays && {
      animate: (seconds, { x, y, width, height }, _toPixels, frameSeconds) => [
        drawn({ x, y, width, height }, seconds, frameSeconds),
      ],
    }),
  };
}

/** A video has no size of its own, since its frames are decoded in several: it is as large as there is room for. */
function largestWithin({ widthPx, heightPx }: PictureSize, frame: Rect): { width: number; height: number } {
  const scale = Math.min(frame.width / widthPx, frame.height / heightPx);
  return { width: widthPx * scale, height: heightPx * scale };
}

/** The middle part of a picture that covers a box without being stretched, in the picture's px. */
export function coverCrop(size: PictureSize, box: Rect): Rect {
  const scale = Math.max(box.width / size.widthPx, box.height / size.heightPx);
  const width = box.width / scale;
  const height = box.height / scale;
  return { x: (size.widthPx - width) / 2, y: (size.heightPx - height) / 2, width, height };
}

/** What is shown while a picture is not chosen or not here. */
export function pictureStandIn(box: Rect): Extract<UnitShape, { kind: 'path' }> {
  return pathShape(rectOutline(box), solid('#8a8478'), 0.5);
}

function imageShape(box: Rect, layer: PictureLayer, size: PictureSize, asset: string): UnitShape {
  if (layer.view != null) {
    return { kind: 'image', asset, sourcePx: viewCrop(size, box, layer.view), rect: box, opacity: 1 };
  }
  const across = box.width / size.widthPx;
  const down = box.height / size.heightPx;
  if (layer.fit === 'stretch') return wholePicture(asset, size, box);
  if (layer.fit === 'cover') {
    return { kind: 'image', asset, sourcePx: coverCrop(size, box), rect: box, opacity: 1 };
  }
  const scale = Math.min(across, down);
  const width = size.widthPx * scale;
  const height = size.heightPx * scale;
  const rect = { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height };
  return wholePicture(asset, size, rect);
}

/** All of a picture, laid into a rectangle. */
export function wholePicture(asset: string, size: PictureSize, rect: Rect): UnitShape {
  const sourcePx = { x: 0, y: 0, width: size.widthPx, height: size.heightPx };
  return { kind: 'image', asset, sourcePx, rect, opacity: 1 };
}
