import type { PictureLayer } from '../model/template';
import { rectOutline } from '../display/shapes';
import type { Rect } from '../kit/rect';
import type { LayerBinding, LayerUnit, MeasureContext, Measured, PictureSize } from './layerKind';
import type { UnitShape } from '../display/unitShape';
import { NO_TEXT } from './layerKind';
import { pathShape, solid } from '../display/unitShape';
import { choiceProperty, numberProperty, pictureProperty } from './properties';

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
    return { width: size.widthPx, height: size.heightPx };
  };
  const { width, height, x, y } = own();
  if (width <= 0 || height <= 0) return null;
  return {
    ...NO_TEXT,
    width,
    height,
    x,
    y,
    firstBaseline: height,
    lastBaseline: height,
    units: (_kind, box): LayerUnit[] => {
      const drawn = size === undefined ? pictureStandIn(box) : imageShape(box, layer, size);
      return [{ box, ink: box, shapes: [drawn] }];
    },
  };
}

/** The middle part of a picture that covers a box without being stretched, in the picture's px. */
export function coverCrop(size: PictureSize, box: Rect): Rect {
  const scale = Math.max(box.width / size.widthPx, box.height / size.heightPx);
  const width = box.width / scale;
  const height = box.height / scale;
  return { x: (size.widthPx - width) / 2, y: (size.heightPx - height) / 2, width, height };
}

/** What is shown while a picture is not chosen or not here. */
export function pictureStandIn(box: Rect): UnitShape {
  return pathShape(rectOutline(box), solid('#8a8478'), 0.5);
}

function imageShape(box: Rect, layer: PictureLayer, size: PictureSize): UnitShape {
  const asset = layer.asset ?? '';
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
