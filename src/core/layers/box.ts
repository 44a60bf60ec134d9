import { ENCLOSES_PATH, readIds, trackReferences, writeIds } from '../model/attachment';
import { extentReferences } from '../model/references';
import type { BoxLayer, BoxShape, Extent } from '../model/template';
import type { Outline } from '../display/outline';
import { mirrorOutline } from '../display/outline';
import {
  corneredRectOutline,
  ellipseOutline,
  lineOutline,
  pathDataOutline,
  regularPolygonOutline,
  starOutline,
  stretchOutline,
} from '../display/shapes';
import { assertNever } from '../kit/assertNever';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import type { LayerBinding, MeasureContext, Measured, Property } from './layerKind';
import type { LayerPaint } from '../display/unitShape';
import { NO_TEXT } from './layerKind';
import { ownShape } from '../display/unitShape';
import { paintOf } from './paintOf';
import { choiceProperty, colourProperty, numberProperty, stateProperty, textProperty } from './properties';

/** A box layer with its properties; its size is fixed or follows a rule. */
export function bindBox(layer: BoxLayer): LayerBinding {
  const extents = [layer.width, layer.height];
  const encloses = extents.some((extent) => extent.kind === 'encloses');
  return {
    kindLabel: 'box',
    unitKinds: ['layer'],
    properties: () => boxProperties(layer),
    dependsOn: [...new Set([...extents.flatMap(extentReferences), ...(encloses ? enclosedEver(layer) : [])])],
    measuresAfter: [],
    measure: (context) => measureBox(layer, context),
    paint: ({ rect }) => boxPaint(layer, rect),
  };
}

/** The layers that it encloses at any time. */
const enclosedEver = ({ encloses, motion }: BoxLayer): readonly string[] => [
  ...encloses,
  ...motion.tracks.filter(({ path }) => path === ENCLOSES_PATH).flatMap(trackReferences),
];

interface Span {
  readonly start?: number;
  readonly size: number;
}

function measureBox(layer: BoxLayer, context: MeasureContext): Measured | null {
  const enclosed = unionRects(layer.encloses.flatMap((id) => context.boundsOf(id) ?? []));
  const padded = enclosed === null ? null : padRect(enclosed, layer);
  const { limits } = layer;
  const across = limitSpan(
    resolveExtent(layer.width, 'x', padded, context),
    limits.minWidthU,
    limits.maxWidthU,
  );
  const down = limitSpan(
    resolveExtent(layer.height, 'y', padded, context),
    limits.minHeightU,
    limits.maxHeightU,
  );
  if (across === null || down === null) return null;
  return {
    ...NO_TEXT,
    width: across.size,
    height: down.size,
    x: across.start,
    y: down.start,
    firstBaseline: down.size,
    lastBaseline: down.size,
    ...(layer.shape.kind === 'rectangle' && { snaps: { x: true, y: true }, snap: snapEdges }),
    units: (_kind, box, toPixels, snap) => {
      const edges = snap ?? (layer.shape.kind === 'rectangle' ? snapEdges(box, toPixels) : []);
      const rect = moveEdges(box, edges);
      const drawn = shapeOutline(layer.shape, rect);
      const outline = layer.mirrored?.forms === true ? mirrorOutline(drawn, rect) : drawn;
      const shape = ownShape(outline, { name: 'fill', rect }, boxPaint(layer, rect));
      return [{ box: rect, ink: rect, shapes: [shape] }];
    },
  };
}

const boxPaint = (layer: BoxLayer, rect: Rect): LayerPaint => ({
  paint: paintOf(layer.look, layer.fill, rect),
  opacity: layer.fillOpacity,
});

const SIDE = { x: 'width', y: 'height' } as const;

function resolveExtent(
  extent: Extent,
  axis: 'x' | 'y',
  enclosed: Rect | null,
  context: MeasureContext,
): Span | null {
  const side = SIDE[axis];
  switch (extent.kind) {
    case 'fixed':
      return { size: extent.u };
    case 'share':
      return { size: extent.share * context.area(extent.of)[side] };
    case 'encloses':
      return enclosed && { start: enclosed[axis], size: enclosed[side] };
    case 'matches': {
      const other = context.boxOf(extent.layerId);
      return other && { size: other[side] };
    }
    case 'between': {
      const from = context.boundsOf(extent.fromId);
      const to = context.boundsOf(extent.toId);
      if (from === null || to === null) return null;
      const [first, second] = from[axis] <= to[axis] ? [from, to] : [to, from];
      const start = first[axis] + first[side];
      return { start, size: Math.max(0, second[axis] - start) };
    }
    default:
      return assertNever(extent, 'extent');
  }
}

/** A span kept within limits; one that has a place of its own grows and shrinks about its middle. */
function limitSpan(span: Span | null, least: number | null, most: number | null): Span | null {
  if (span === null) return null;
  const size = Math.max(least ?? 0, Math.min(most ?? Infinity, span.size));
  return span.start === undefined ? { size } : { size, start: span.start + (span.size - size) / 2 };
}

function padRect(rect: Rect, { padding }: BoxLayer): Rect {
  return {
    x: rect.x - padding.leftU,
    y: rect.y - padding.topU,
    width: Math.max(0, rect.width + padding.leftU + padding.rightU),
    height: Math.max(0, rect.height + padding.topU + padding.bottomU),
  };
}

/**
 * How far (u) the left, top, right and bottom edge are from whole pixels, so that they are sharp on those; the box is
 * never made thinner than one pixel.
 */
function snapEdges({ x, y, width, height }: Rect, toPixels: Matrix): readonly number[] {
  const [sx, , , sy, ex] = toPixels;
  const left = Math.round(x * sx + ex);
  const top = Math.round(y * sy);
  const right = Math.max(left + 1, Math.round((x + width) * sx + ex));
  const bottom = Math.max(top + 1, Math.round((y + height) * sy));
  return [(left - ex) / sx - x, top / sy - y, (right - ex) / sx - x - width, bottom / sy - y - height];
}

function moveEdges(box: Rect, [left = 0, top = 0, right = 0, bottom = 0]: readonly number[]): Rect {
  return {
    x: box.x + left,
    y: box.y + top,
    width: Math.max(0, box.width + right - left),
    height: Math.max(0, box.height + bottom - top),
  };
}

function shapeOutline(shape: BoxShape, rect: Rect): Outline {
  switch (shape.kind) {
    case 'rectangle':
      return corneredRectOutline(rect, shape.radiiU, shape.corner === 'chamfer');
    case 'ellipse':
      return ellipseOutline(rect);
    case 'line':
      return lineOutline(rect, shape.thicknessU, shape.rises);
    case 'polygon':
      return regularPolygonOutline(rect, shape.sides);
    case 'star':
      return starOutline(rect, shape.points, shape.innerShare);
    case 'path':
      return stretchOutline(pathDataOutline(shape.data) ?? ellipseOutline(rect), rect);
    default:
      return assertNever(shape, 'shape');
  }
}

function boxProperties(layer: BoxLayer): Property[] {
  const pad = (side: keyof BoxLayer['padding'], label: string): Property =>
    numberProperty(`padding.${side}`, label, ['u', -200, 1000, 1], layer.padding[side], (value) => ({
      ...layer,
      padding: { ...layer.padding, [side]: value },
    }));
  return [
    colourProperty('fill', 'Fill', layer.fill, (fill) => ({ ...layer, fill })),
    numberProperty('fillOpacity', 'Fill opacity', ['%', 0, 100, 5], layer.fillOpacity * 100, (v) => ({
      ...layer,
      fillOpacity: v / 100,
    })),
    ...shapeProperties(layer),
    stateProperty(ENCLOSES_PATH, 'Enclosed layers', writeIds(layer.encloses), layer, (value) => {
      const encloses = readIds(value);
      return encloses && { ...layer, encloses };
    }),
    ...fixedSize(layer, 'width', 'Width'),
    ...fixedSize(layer, 'height', 'Height'),
    pad('leftU', 'Padding left'),
    pad('topU', 'Padding top'),
    pad('rightU', 'Padding right'),
    pad('bottomU', 'Padding bottom'),
  ];
}

function fixedSize(layer: BoxLayer, side: 'width' | 'height', label: string): Property[] {
  const extent = layer[side];
  if (extent.kind === 'fixed') {
    return [
      numberProperty(`${side}.u`, label, ['u', 0.5, 8000, 1], extent.u, (u) => ({
        ...layer,
        [side]: { kind: 'fixed', u },
      })),
    ];
  }
  if (extent.kind !== 'share') return [];
  return [
    numberProperty(`${side}.share`, label, ['%', 0, 200, 1], extent.share * 100, (v) => ({
      ...layer,
      [side]: { ...extent, share: v / 100 },
    })),
  ];
}

const CORNERS = ['top left', 'top right', 'bottom right', 'bottom left'] as const;

type Shaped = (next: BoxShape) => BoxLayer;

function rectangleProperties(shape: Extract<BoxShape, { kind: 'rectangle' }>, shaped: Shaped): Property[] {
  const { radiiU } = shape;
  const corners = [
    { value: 'round', label: 'Round' },
    { value: 'chamfer', label: 'Cut' },
  ] as const;
  return [
    numberProperty('radiusU', 'Corner radius', ['u', 0, 1000, 1], Math.max(0, ...radiiU), (radius) =>
      shaped({ ...shape, radiiU: [radius, radius, radius, radius] }),
    ),
    ...CORNERS.map((corner, i) =>
      numberProperty(`shape.radiiU.${i}`, `Corner ${corner}`, ['u', 0, 1000, 1], radiiU[i] ?? 0, (v) =>
        shaped({ ...shape, radiiU: [0, 1, 2, 3].map((k) => (k === i ? v : (radiiU[k] ?? 0))) }),
      ),
    ),
    choiceProperty('shape.corner', 'Corners', corners, shape.corner, (corner) =>
      shaped({ ...shape, corner }),
    ),
  ];
}

function shapeProperties(box: BoxLayer): Property[] {
  const { shape } = box;
  const shaped: Shaped = (next) => ({ ...box, shape: next });
  switch (shape.kind) {
    case 'rectangle':
      return rectangleProperties(shape, shaped);
    case 'line':
      return [
        numberProperty('shape.thicknessU', 'Thickness', ['u', 0.5, 400, 1], shape.thicknessU, (thicknessU) =>
          shaped({ ...shape, thicknessU }),
        ),
      ];
    case 'polygon':
      return [
        numberProperty('shape.sides', 'Sides', ['', 3, 60, 1], shape.sides, (v) =>
          shaped({ ...shape, sides: Math.round(v) }),
        ),
      ];
    case 'star':
      return [
        numberProperty('shape.points', 'Points', ['', 3, 60, 1], shape.points, (v) =>
          shaped({ ...shape, points: Math.round(v) }),
        ),
        numberProperty('shape.innerShare', 'Inner', ['%', 5, 100, 1], shape.innerShare * 100, (v) =>
          shaped({ ...shape, innerShare: v / 100 }),
        ),
      ];
    case 'path':
      return [textProperty('shape.data', 'Path data', shape.data, (data) => shaped({ ...shape, data }))];
    case 'ellipse':
      return [];
    default:
      return assertNever(shape, 'shape');
  }
}
