import type { BoxLayer, Extent, Layer } from '../document/template';
import { roundedRectOutline } from '../display/outline';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import type { PlacedBox } from '../layout/points';
import type { BoundLayer, LayerUnit, MeasureContext, Measured, Property, UnitShape } from './layerKind';
import { solid } from './layerKind';
import { colourProperty, numberProperty } from './properties';

/** A box layer with its properties; its size is fixed, taken from another layer, or that of what it encloses. */
export function bindBox(layer: BoxLayer): BoundLayer {
  const matched = [layer.width, layer.height].flatMap((extent) =>
    extent.kind === 'matches' ? extent.layerId : [],
  );
  const encloses = [layer.width, layer.height].some((extent) => extent.kind === 'encloses');
  return {
    kindLabel: 'box',
    unitKinds: ['layer'],
    properties: boxProperties(layer),
    dependsOn: [...new Set([...matched, ...(encloses ? layer.encloses : [])])],
    measure: (context) => measureBox(layer, context),
  };
}

function measureBox(layer: BoxLayer, context: MeasureContext): Measured | null {
  const enclosed = unionRects(layer.encloses.flatMap((id) => context.boxOf(id) ?? []));
  const padded = enclosed === null ? null : padRect(enclosed, layer);
  const across = resolveExtent(layer.width, padded?.x, padded?.width, (id) => context.boxOf(id)?.width);
  const down = resolveExtent(layer.height, padded?.y, padded?.height, (id) => context.boxOf(id)?.height);
  if (across === null || down === null) return null;
  return {
    width: across.size,
    height: down.size,
    x: across.start,
    y: down.start,
    firstBaseline: down.size,
    lastBaseline: down.size,
    fitted: [],
    overflows: false,
    missing: [],
    units: (_kind, box, toPixels) => [boxUnit(layer, snapRect(box, toPixels))],
  };
}

function resolveExtent(
  extent: Extent,
  start: number | undefined,
  enclosed: number | undefined,
  sizeOf: (layerId: string) => number | undefined,
): { size: number; start?: number } | null {
  if (extent.kind === 'fixed') return { size: extent.u };
  const size = extent.kind === 'matches' ? sizeOf(extent.layerId) : enclosed;
  if (size === undefined) return null;
  return extent.kind === 'matches' ? { size } : { size, start };
}

function padRect(rect: Rect, { padding }: BoxLayer): Rect {
  return {
    x: rect.x - padding.leftU,
    y: rect.y - padding.topU,
    width: Math.max(0, rect.width + padding.leftU + padding.rightU),
    height: Math.max(0, rect.height + padding.topU + padding.bottomU),
  };
}

/** Edges on whole pixels, so that they are sharp; never thinner than one pixel. */
function snapRect(box: PlacedBox, toPixels: Matrix): Rect {
  const [sx, , , sy, ex] = toPixels;
  const left = Math.round(box.x * sx + ex);
  const top = Math.round(box.y * sy);
  const right = Math.max(left + 1, Math.round((box.x + box.width) * sx + ex));
  const bottom = Math.max(top + 1, Math.round((box.y + box.height) * sy));
  return { x: (left - ex) / sx, y: top / sy, width: (right - left) / sx, height: (bottom - top) / sy };
}

function boxUnit(layer: BoxLayer, rect: Rect): LayerUnit {
  const outline = roundedRectOutline(rect, layer.radiusU);
  const shapes: UnitShape[] = [];
  if (layer.fillOpacity > 0)
    shapes.push({ outline, paint: solid(layer.fill), opacity: layer.fillOpacity, strokeU: null });
  const edge = layer.outline;
  if (edge !== null && edge.widthU > 0) {
    shapes.push({ outline, paint: solid(edge.colour), opacity: 1, strokeU: edge.widthU });
  }
  const spread = edge === null ? 0 : edge.widthU / 2;
  const ink = {
    x: rect.x - spread,
    y: rect.y - spread,
    width: rect.width + 2 * spread,
    height: rect.height + 2 * spread,
  };
  return { box: ink, ink, shapes };
}

function boxProperties(layer: BoxLayer): Property[] {
  const edge = layer.outline ?? { widthU: 0, colour: '#ffffff' };
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
    numberProperty('radiusU', 'Roundness', ['u', 0, 1000, 1], layer.radiusU, (radiusU) => ({
      ...layer,
      radiusU,
    })),
    numberProperty('outline.widthU', 'Outline', ['u', 0, 100, 1], edge.widthU, (widthU) =>
      outlined(layer, { ...edge, widthU }),
    ),
    colourProperty('outline.colour', 'Outline colour', edge.colour, (colour) =>
      outlined(layer, { ...edge, colour }),
    ),
    ...(layer.width.kind === 'fixed'
      ? [
          numberProperty('width.u', 'Width', ['u', 1, 8000, 1], layer.width.u, (u) => ({
            ...layer,
            width: { kind: 'fixed' as const, u },
          })),
        ]
      : []),
    ...(layer.height.kind === 'fixed'
      ? [
          numberProperty('height.u', 'Height', ['u', 1, 8000, 1], layer.height.u, (u) => ({
            ...layer,
            height: { kind: 'fixed' as const, u },
          })),
        ]
      : []),
    pad('leftU', 'Padding left'),
    pad('topU', 'Padding top'),
    pad('rightU', 'Padding right'),
    pad('bottomU', 'Padding bottom'),
    numberProperty('opacity', 'Opacity', ['%', 0, 100, 5], layer.opacity * 100, (v) => ({
      ...layer,
      opacity: v / 100,
    })),
  ];
}

function outlined(layer: BoxLayer, outline: { widthU: number; colour: string }): Layer {
  return { ...layer, outline: outline.widthU > 0 ? outline : null };
}
