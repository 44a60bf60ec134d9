import { applyValues } from '../document/applyValues';
import type { FieldValues, Layer, Template, Timing, UnitKind } from '../document/template';
import type { DisplayItem, DisplayList } from '../display/list';
import type { Matrix } from '../kit/matrix';
import type { LayerUnit } from '../layers/layerKind';
import type { FrameFormat } from '../layout/formats';
import { unitsToPixels } from '../layout/formats';
import type { PlacedBox } from '../layout/points';
import type { PlacedLayer } from '../layout/resolveLayout';
import { resolveLayout } from '../layout/resolveLayout';
import { FACES } from '../text/faces';
import type { FontLibrary } from '../text/fontLibrary';
import type { CompiledMove } from './motion';
import { compileMove, mirrorMove, mirrorWindows } from './motion';
import { paintLayer } from './paintLayer';
import type { TitleTiming } from './stretch';

/** The units of a layer with the move that acts on them. */
interface MovingUnits {
  readonly move: CompiledMove;
  readonly units: readonly LayerUnit[];
}

/** A layer ready to be asked for any time. */
export interface CompiledLayer {
  readonly layer: Layer;
  readonly box: PlacedBox;
  readonly resting: readonly LayerUnit[];
  readonly in: MovingUnits | null;
  readonly out: MovingUnits | null;
}

/** Something a designer or editor should know about a layer, in words. */
interface LayerNote {
  readonly layerId: string;
  readonly kind: 'fitted' | 'overflow' | 'missing' | 'unknownFace';
  readonly message: string;
}

/** A template with values in a format: laid out once, asked for as many frames as wanted. */
export interface CompiledTitle {
  readonly format: FrameFormat;
  readonly toPixels: Matrix;
  /** Boxes of the layers that are present, in design units, by layer id. */
  readonly boxes: ReadonlyMap<string, PlacedBox>;
  readonly notes: readonly LayerNote[];
  /** The display list at a time (seconds from the title's start; outside the title it is empty). */
  frame(seconds: number, timing: TitleTiming): DisplayList;
}

/** Lays a title out. Throws InputError when layers wait for one another in a circle. */
export function compile(
  template: Template,
  values: FieldValues,
  format: FrameFormat,
  fonts: FontLibrary,
): CompiledTitle {
  const applied = applyValues(template, values);
  const toPixels = unitsToPixels(format);
  const placed = resolveLayout(applied.layers, format, fonts);
  const layers = applied.layers.flatMap((layer) => {
    const one = placed.get(layer.id);
    return one === undefined ? [] : compileLayer(one, applied.timing, toPixels);
  });
  // The first layer is nearest the viewer, so painting starts with the last.
  const backToFront = [...layers].reverse();
  return {
    format,
    toPixels,
    boxes: new Map(layers.map((layer) => [layer.layer.id, layer.box])),
    notes: [...placed.values()].flatMap(layerNotes),
    frame: (seconds, timing) => ({
      widthPx: format.widthPx,
      heightPx: format.heightPx,
      items: paintLayers(backToFront, seconds, timing, toPixels, format),
    }),
  };
}

function paintLayers(
  layers: readonly CompiledLayer[],
  seconds: number,
  timing: TitleTiming,
  toPixels: Matrix,
  format: FrameFormat,
): DisplayItem[] {
  if (seconds < 0 || seconds > timing.totalSeconds) return [];
  return layers.flatMap((layer) => paintLayer(layer, seconds, timing, toPixels, format));
}

function compileLayer(
  { layer, measured, box }: PlacedLayer,
  timing: Timing,
  toPixels: Matrix,
): CompiledLayer {
  const cache = new Map<UnitKind, LayerUnit[]>();
  const unitsOf = (kind: UnitKind): LayerUnit[] => {
    const known = cache.get(kind) ?? measured.units(kind, box, toPixels);
    cache.set(kind, known);
    return known;
  };
  const inUse = layer.motion.in;
  const outUse = layer.motion.out;
  const arrive = inUse && {
    units: unitsOf(inUse.unit),
    move: compileMove(inUse, unitsOf(inUse.unit).length, timing.inSeconds, false),
  };
  let leave: MovingUnits | null = null;
  if (outUse === 'mirror' && inUse !== null) {
    const units = unitsOf(inUse.unit);
    const move = compileMove(mirrorMove(inUse, timing), units.length, timing.outSeconds, true);
    leave = { units, move: { ...move, windows: mirrorWindows(move.windows) } };
  } else if (outUse !== null && outUse !== 'mirror') {
    const units = unitsOf(outUse.unit);
    leave = { units, move: compileMove(outUse, units.length, timing.outSeconds, true) };
  }
  return { layer, box, resting: unitsOf('layer'), in: arrive, out: leave };
}

function layerNotes({ layer, measured }: PlacedLayer): LayerNote[] {
  const notes: LayerNote[] = [];
  const add = (kind: LayerNote['kind'], message: string): void =>
    void notes.push({ layerId: layer.id, kind, message });
  if (measured.overflows)
    add('overflow', `"${layer.name}" is still too wide: shorten it or allow more steps`);
  if (measured.missing.length > 0) {
    const characters = measured.missing.slice(0, 8).join(' ');
    add('missing', `"${layer.name}" has characters that no shipped face has: ${characters}`);
  }
  if (layer.kind === 'text' && FACES.find(layer.style.face) === undefined) {
    add(
      'unknownFace',
      `"${layer.name}" asks for the face "${layer.style.face}", which is not here; ${FACES.list[0].label} stands in`,
    );
  }
  if (measured.fitted.length > 0) add('fitted', `"${layer.name}" is ${measured.fitted.join(', ')}`);
  return notes;
}
