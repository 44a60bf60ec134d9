import { ENCLOSES_PATH, trackReferences } from '../model/attachment';
import type { Extent, Layer, Place } from '../model/template';
import { InputError } from '../kit/inputError';
import type { Lookup } from '../kit/overlay';
import { Overlay } from '../kit/overlay';
import { mapPoint, mapRect } from '../kit/matrix';
import type { Point, Rect } from '../kit/rect';
import { bindLayer } from '../layers';
import type { MeasureContext, Measured, PictureSizes } from '../layers/layerKind';
import type { FontLibrary } from '../text/fontLibrary';
import { UNDETERMINED } from '../faces/language';
import type { FrameFormat } from '../frame/formats';
import type { PlacedBox } from '../frame/points';
import { ownMatrix } from './ownMatrix';
import { pointWithin } from '../frame/points';
import { safeArea } from '../frame/safeAreas';

/** A layer with its box in design units; absent layers (empty texts and what hangs on them) are left out. */
export interface PlacedLayer {
  readonly layer: Layer;
  readonly measured: Measured;
  readonly box: PlacedBox;
}

interface MeasuredOnce {
  readonly fonts: FontLibrary;
  readonly pictures: PictureSizes;
  readonly language: string;
  readonly size: Measured | null;
}
const kept = new WeakMap<Layer, WeakMap<FrameFormat, MeasuredOnce>>();

/**
 * The size of a layer. One that waits for no other is asked once for each format and serves again: while one text is
 * typed, the others are not set again.
 */
function measureOnce(layer: Layer, context: MeasureContext, format: FrameFormat): Measured | null {
  const bound = bindLayer(layer);
  if (bound.dependsOn.length > 0 || bound.measuresAfter.length > 0) return bound.measure(context);
  const { fonts, pictures } = context;
  const byFormat = kept.get(layer) ?? new WeakMap<FrameFormat, MeasuredOnce>();
  kept.set(layer, byFormat);
  const known = byFormat.get(format);
  const language = context.languageOf(layer.id);
  const same = known?.fonts === fonts && known.pictures === pictures && known.language === language;
  if (same) return known.size;
  const size = bound.measure(context);
  byFormat.set(format, { fonts, pictures, language, size });
  return size;
}

function boundsOf(placed: PlacedLayer | undefined): Rect | null {
  if (placed === undefined) return null;
  const own = ownMatrix(placed.layer.place, placed.box);
  return own === null ? placed.box : mapRect(own, placed.box);
}

/** No pictures at all, for titles that have none. */
export const NO_PICTURES: PictureSizes = { size: () => undefined };

/** What a layout looks at besides the layers. */
export interface LayoutContext {
  readonly format: FrameFormat;
  readonly fonts: FontLibrary;
  readonly pictures: PictureSizes;
  /** The language (BCP 47) of a layer's words; left out for none in particular. */
  readonly languageOf?: (layerId: string) => string;
}

/** The order in which some layers are measured and placed; good for all layers of the same ids that refer alike. */
export interface LayoutPlan {
  readonly steps: readonly Step[];
  readonly stackOf: ReadonlyMap<string, string>;
}

/** What of an earlier layout is done again; all else stays as it was there. */
export interface LayoutChange {
  readonly before: Lookup<PlacedLayer>;
  readonly measure: ReadonlySet<string>;
  readonly place: ReadonlySet<string>;
}

/** Works out in what order layers wait for one another. Throws InputError for a circle. */
export function planLayout(layers: readonly Layer[]): LayoutPlan {
  const stackOf = stackMembership(layers);
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  return { steps: dependencyOrder(layers, byId, stackOf), stackOf };
}

/** Places every layer by rule, in the order their dependencies ask for. Throws InputError for a circle. */
export function resolveLayout(
  layers: readonly Layer[],
  format: FrameFormat,
  fonts: FontLibrary,
  pictures: PictureSizes = NO_PICTURES,
): ReadonlyMap<string, PlacedLayer> {
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  const plan = planLayout(layers);
  const placed = layOut(plan, byId, { format, fonts, pictures });
  return new Map(
    plan.steps.flatMap(({ id, does }): [string, PlacedLayer][] => {
      const one = does === 'place' ? placed.get(id) : undefined;
      return one === undefined ? [] : [[id, one]];
    }),
  );
}

/** Places layers by a plan; of a change only what it names is done again. */
export function layOut(
  { steps, stackOf }: LayoutPlan,
  byId: Lookup<Layer>,
  { format, fonts, pictures, languageOf = () => UNDETERMINED }: LayoutContext,
  change: LayoutChange | null = null,
): Lookup<PlacedLayer> {
  const before = change?.before ?? null;
  const placed = new Overlay<PlacedLayer>(before);
  const measured = new Overlay<Measured>(before && { get: (id) => before.get(id)?.measured });
  const context: MeasureContext = {
    fonts,
    pictures,
    frame: safeArea(format, 'frame'),
    area: (id) => safeArea(format, id),
    languageOf,
    boxOf: (id) => placed.get(id)?.box ?? null,
    boundsOf: (id) => boundsOf(placed.get(id)),
    measuredOf: (id) => measured.get(id) ?? null,
  };
  for (const { id, does } of steps) {
    if (change !== null && !change[does].has(id)) continue;
    const layer = byId.get(id);
    if (layer === undefined) continue;
    if (does === 'measure') {
      const size = layer.visible ? measureOnce(layer, context, format) : null;
      if (size === null) measured.delete(id);
      else measured.set(id, size);
      continue;
    }
    const size = measured.get(id);
    if (size === undefined) {
      placed.delete(id);
      continue;
    }
    const corner =
      slotCorner(layer, stackOf, placed) ??
      placeCorner(effectivePlace(layer, byId, placed), size, format, placed);
    const wanted = { ...sizeOf(size), x: size.x ?? corner.x, y: size.y ?? corner.y };
    placed.set(id, { layer, measured: size, box: keptInside(wanted, layer.place, format) });
  }
  return placed;
}

/**
 * What has to be measured and what to be placed again where some layers are of another size (`measured`) and some lie
 * elsewhere (`moved`): those layers, and all that hang on them.
 */
export function affectedBy(
  layers: readonly Layer[],
  plan: LayoutPlan,
  measured: ReadonlySet<string>,
  moved: ReadonlySet<string>,
): Pick<LayoutChange, 'measure' | 'place'> {
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  const measure = new Set(measured);
  const place = new Set([...measured, ...moved]);
  // Each step comes after all that it waits for, so one pass finds everything.
  for (const step of plan.steps) {
    const layer = byId.get(step.id);
    if (layer === undefined) continue;
    const waits = waitsFor({ layer, does: step.does }, plan.stackOf);
    if (waits.some(({ layerId, does }) => (does === 'measure' ? measure : place).has(layerId))) {
      if (step.does === 'measure') measure.add(step.id);
      place.add(step.id);
    }
  }
  return { measure, place };
}

const sizeOf = ({ width, height, firstBaseline, lastBaseline }: Measured): Omit<PlacedBox, 'x' | 'y'> => ({
  width,
  height,
  firstBaseline,
  lastBaseline,
});

/** The stack that each member of one belongs to. */
function stackMembership(layers: readonly Layer[]): ReadonlyMap<string, string> {
  return new Map(
    layers.flatMap((layer) =>
      layer.kind === 'stack' ? layer.members.map((id): [string, string] => [id, layer.id]) : [],
    ),
  );
}

function slotCorner(
  layer: Layer,
  stackOf: ReadonlyMap<string, string>,
  placed: Lookup<PlacedLayer>,
): { x: number; y: number } | null {
  const stack = placed.get(stackOf.get(layer.id) ?? '');
  const slot = stack?.measured.slots?.get(layer.id);
  if (stack === undefined || slot === undefined) return null;
  return { x: stack.box.x + slot.x, y: stack.box.y + slot.y };
}

/** A box pushed back into the area it must not leave; one that is larger keeps to the area's near edges. */
function keptInside(box: PlacedBox, place: Place, format: FrameFormat): PlacedBox {
  if (place.keepInside === null) return box;
  const area = safeArea(format, place.keepInside);
  const within = (start: number, size: number, from: number, room: number): number =>
    Math.max(from, Math.min(start, from + room - size));
  return {
    ...box,
    x: within(box.x, box.width, area.x, area.width),
    y: within(box.y, box.height, area.y, area.height),
  };
}

interface Step {
  readonly id: string;
  readonly does: 'measure' | 'place';
}

interface Visit {
  readonly layer: Layer;
  readonly does: Step['does'];
}

/** Steps such that each comes after all it waits for; throws an error that names the members of a circle. */
function dependencyOrder(
  layers: readonly Layer[],
  byId: ReadonlyMap<string, Layer>,
  stackOf: ReadonlyMap<string, string>,
): Step[] {
  const done = { measure: new Set<string>(), place: new Set<string>() };
  const order: Step[] = [];
  const visit = (step: Visit, path: readonly Visit[]): void => {
    const { id } = step.layer;
    if (done[step.does].has(id)) return;
    const from = path.findIndex((one) => one.layer === step.layer && one.does === step.does);
    if (from >= 0) throw circleError([...path.slice(from), step]);
    for (const next of waitsFor(step, stackOf)) {
      const layer = byId.get(next.layerId);
      if (layer !== undefined) visit({ layer, does: next.does }, [...path, step]);
    }
    done[step.does].add(id);
    order.push({ id, does: step.does });
  };
  for (const layer of layers) visit({ layer, does: 'place' }, []);
  return order;
}

interface Wait {
  readonly layerId: string;
  readonly does: Step['does'];
}

function waitsFor({ layer, does }: Visit, stackOf: ReadonlyMap<string, string>): Wait[] {
  const placed = (layerId: string): Wait => ({ layerId, does: 'place' });
  if (does === 'measure') {
    const bound = bindLayer(layer);
    const sizes = bound.measuresAfter.map((layerId): Wait => ({ layerId, does: 'measure' }));
    return [...sizes, ...bound.dependsOn.map(placed)];
  }
  const own: Wait = { layerId: layer.id, does: 'measure' };
  const stack = stackOf.get(layer.id);
  if (stack !== undefined) return [own, placed(stack)];
  return [own, ...attachments(layer).map(placed)];
}

function attachments(layer: Layer): string[] {
  if (liesWhereItsContentLies(layer)) return [];
  const { target } = layer.place;
  // What it is attached to at any time comes before it, so that one order is good for all times.
  const keyed = layer.motion.tracks.flatMap((track) =>
    track.path === ENCLOSES_PATH ? [] : trackReferences(track),
  );
  return target.kind === 'layer' ? [target.layerId, ...keyed] : keyed;
}

/** Whether a layer's place follows from what it holds, so that it cannot be placed by itself. */
export function liesWhereItsContentLies(layer: Layer): boolean {
  if (layer.kind === 'group' || layer.kind === 'backdrop') return true;
  if (layer.kind !== 'box') return false;
  const follows = ({ kind }: Extent): boolean => kind === 'encloses' || kind === 'between';
  return follows(layer.width) && follows(layer.height);
}

/** The ids of the layers that decide where this one is and how large. */
export function dependencies(layer: Layer): string[] {
  const { dependsOn, measuresAfter } = bindLayer(layer);
  return [...attachments(layer), ...dependsOn, ...measuresAfter];
}

function circleError(circle: readonly Visit[]): InputError {
  // A layer that is measured and then placed is one member of the circle, not two.
  const layers = circle.map((step) => step.layer).filter((layer, i, all) => layer !== all[i - 1]);
  const names = layers.map((layer) => `"${layer.name}"`).join(' → ');
  return new InputError([
    {
      where: `Layer "${layers[0].name}"`,
      expected: 'layers that do not wait for one another in a circle',
      got: names,
      advice: 'Attach one of them to the frame, or take it out of the box that encloses it.',
    },
  ]);
}

/** A layer attached to an absent one takes that one's place, so the gap closes up. */
function effectivePlace(layer: Layer, byId: Lookup<Layer>, placed: Lookup<PlacedLayer>): Place {
  let place = layer.place;
  // Circles were refused before, so this ends.
  while (place.target.kind === 'layer' && placed.get(place.target.layerId) === undefined) {
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
  placed: Lookup<PlacedLayer>,
): { x: number; y: number } {
  const to = targetPoint(place, format, placed);
  const own = pointWithin(measured, place.point);
  return { x: to.x + place.dxU - own.x, y: to.y + place.dyU - own.y };
}

/** Where the point lies that a layer is attached to; a turned layer's points turn with it. */
function targetPoint(place: Place, format: FrameFormat, placed: Lookup<PlacedLayer>): Point {
  const { target } = place;
  const layer = target.kind === 'layer' ? placed.get(target.layerId) : undefined;
  if (layer !== undefined) {
    const to = pointWithin(layer.box, place.targetPoint);
    const point = { x: layer.box.x + to.x, y: layer.box.y + to.y };
    const own = ownMatrix(layer.layer.place, layer.box);
    return own === null ? point : mapPoint(own, point);
  }
  const area = safeArea(format, target.kind === 'layer' ? 'titleSafe' : target.kind);
  const to = pointWithin(
    { ...area, firstBaseline: area.height, lastBaseline: area.height },
    place.targetPoint,
  );
  return { x: area.x + to.x, y: area.y + to.y };
}
