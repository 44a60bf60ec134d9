import type { Layer, Place } from '../document/template';
import { InputError } from '../kit/inputError';
import { bindLayer } from '../layers';
import type { Measured } from '../layers/layerKind';
import type { FontLibrary } from '../text/fontLibrary';
import type { FrameFormat } from './formats';
import type { PlacedBox } from './points';
import { pointWithin } from './points';
import { safeArea } from './safeAreas';

/** A layer with its box in design units; absent layers (empty texts and what hangs on them) are left out. */
export interface PlacedLayer {
  readonly layer: Layer;
  readonly measured: Measured;
  readonly box: PlacedBox;
}

/** Places every layer by rule, in the order their dependencies ask for. Throws InputError for a circle. */
export function resolveLayout(
  layers: readonly Layer[],
  format: FrameFormat,
  fonts: FontLibrary,
): ReadonlyMap<string, PlacedLayer> {
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  const placed = new Map<string, PlacedLayer>();
  const context = {
    fonts,
    titleSafe: safeArea(format, 'titleSafe'),
    boxOf: (id: string) => placed.get(id)?.box ?? null,
  };
  for (const layer of dependencyOrder(layers, byId)) {
    const measured = layer.visible ? bindLayer(layer).measure(context) : null;
    if (measured === null) continue;
    const corner = placeCorner(effectivePlace(layer, byId, placed), measured, format, placed);
    const box = { ...sizeOf(measured), x: measured.x ?? corner.x, y: measured.y ?? corner.y };
    placed.set(layer.id, { layer, measured, box });
  }
  return placed;
}

const sizeOf = ({ width, height, firstBaseline, lastBaseline }: Measured): Omit<PlacedBox, 'x' | 'y'> => ({
  width,
  height,
  firstBaseline,
  lastBaseline,
});

/** Layers such that each comes after all it depends on; throws an error that names the members of a circle. */
function dependencyOrder(layers: readonly Layer[], byId: ReadonlyMap<string, Layer>): Layer[] {
  const done = new Set<string>();
  const order: Layer[] = [];
  const visit = (layer: Layer, path: readonly Layer[]): void => {
    if (done.has(layer.id)) return;
    const from = path.indexOf(layer);
    if (from >= 0) throw circleError([...path.slice(from), layer]);
    for (const id of dependencies(layer)) {
      const next = byId.get(id);
      if (next !== undefined) visit(next, [...path, layer]);
    }
    done.add(layer.id);
    order.push(layer);
  };
  for (const layer of layers) visit(layer, []);
  return order;
}

/** The ids of the layers that decide where this one is and how large. */
export function dependencies(layer: Layer): string[] {
  const enclosesBoth =
    layer.kind === 'box' && layer.width.kind === 'encloses' && layer.height.kind === 'encloses';
  const attached = layer.place.target.kind === 'layer' && !enclosesBoth ? [layer.place.target.layerId] : [];
  return [...attached, ...bindLayer(layer).dependsOn];
}

function circleError(circle: readonly Layer[]): InputError {
  const names = circle.map((layer) => `"${layer.name}"`).join(' → ');
  return new InputError([
    {
      where: `Layer "${circle[0].name}"`,
      expected: 'layers that do not wait for one another in a circle',
      got: names,
      advice: 'Attach one of them to the frame, or take it out of the box that encloses it.',
    },
  ]);
}

/** A layer attached to an absent one takes that one's place, so the gap closes up. */
function effectivePlace(
  layer: Layer,
  byId: ReadonlyMap<string, Layer>,
  placed: ReadonlyMap<string, PlacedLayer>,
): Place {
  let place = layer.place;
  // Circles were refused before, so this ends.
  while (place.target.kind === 'layer' && !placed.has(place.target.layerId)) {
    const absent = byId.get(place.target.layerId);
    if (absent === undefined) return { ...place, target: { kind: 'titleSafe' } };
    place = absent.place;
  }
  return place;
}

function placeCorner(
  place: Place,
  measured: Measured,
  format: FrameFormat,
  placed: ReadonlyMap<string, PlacedLayer>,
): { x: number; y: number } {
  const target = targetBox(place, format, placed);
  const to = pointWithin(target, place.targetPoint);
  const own = pointWithin(measured, place.point);
  return { x: target.x + to.x + place.dxU - own.x, y: target.y + to.y + place.dyU - own.y };
}

function targetBox(place: Place, format: FrameFormat, placed: ReadonlyMap<string, PlacedLayer>): PlacedBox {
  const { target } = place;
  if (target.kind === 'layer') {
    const layer = placed.get(target.layerId);
    if (layer !== undefined) return layer.box;
  }
  const area = safeArea(format, target.kind === 'layer' ? 'titleSafe' : target.kind);
  return { ...area, firstBaseline: area.height, lastBaseline: area.height };
}
