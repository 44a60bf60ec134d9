import type { DisplayItem, DisplayList } from '../display/list';
import { projectCorners } from '../display/homography';
import type { Shift } from '../model/project';
import type { FieldValues, Layer, Template } from '../model/template';
import { hasPages } from '../model/template';
import type { Matrix } from '../kit/matrix';
import { mapPoint, multiply, translated } from '../kit/matrix';
import type { Point } from '../kit/rect';
import { containsRect } from '../kit/rect';
import type { PictureSizes } from '../layers/layerKind';
import { solid } from '../display/unitShape';
import type { FrameFormat } from '../frame/formats';
import { unitsToPixels } from '../frame/formats';
import type { PlacedBox } from '../frame/points';
import { NO_PICTURES } from '../layout/resolveLayout';
import { safeArea } from '../frame/safeAreas';
import { mirroredPlaces } from '../mirror/mirrorTemplate';
import { plainColours } from '../resolve/plainColours';
import { resolve } from '../resolve/resolve';
import type { FontLibrary } from '../text/fontLibrary';
import { bentUnits } from './bentUnits';
import type { CompiledCredits } from './compiledCredits';
import { compiledCredits } from './compiledCredits';
import type { CompiledLayer } from './compileLayer';
import type { LayerNote } from './layerNotes';
import { layerNotes } from './layerNotes';
import { paintStage } from './paintLayer';
import type { Stage } from './paintLayer';
import { layerMatrix, mapUnit, standingMap } from './mapUnit';
import type { PosedUnit } from './columns';
import { poseUnits } from './poseUnits';
import { stackingOf } from './stacking';
import type { MoveTimes } from './stagger';
import type { LaidOut } from './stages';
import { createStages } from './stages';
import type { TitleTiming } from '../titleTime/stretch';
import type { WordState } from './wordStates';
import { wordStates } from './wordStates';

/** A layer of words at rest. */
export interface CompiledText {
  readonly layerId: string;
  /** The height of its smallest capitals. */
  readonly capU: number;
  /**
   * The shapes of its letters alone, in black: where they are at rest, or, of lines that replace one another or go by,
   * where they are at a time (seconds from the title's start).
   */
  ink(seconds: number, timing: TitleTiming): DisplayItem[];
  /** Whether lines replace one another or go by, so that other words are seen at another time. */
  readonly goesBy: boolean;
  /** A time at which it stands: the one that is asked for, unless it has a span without it; then the middle of that. */
  standsAt(seconds: number, timing: TitleTiming): number;
}

/** A template with values in a format: laid out once, asked for as many frames as wanted. */
export interface CompiledTitle {
  readonly format: FrameFormat;
  readonly toPixels: Matrix;
  /** Boxes of the layers that are present, in design units, by layer id. */
  readonly boxes: ReadonlyMap<string, PlacedBox>;
  /** The boxes as keyframes have them at a time. */
  boxesAt(seconds: number, timing: TitleTiming): ReadonlyMap<string, PlacedBox>;
  /**
   * Where the corners of the layers' boxes are seen at a time, in design units, clockwise from the top left: turned,
   * scaled, pinned and in depth as they stand, without their moves.
   */
  cornersAt(seconds: number, timing: TitleTiming): ReadonlyMap<string, readonly Point[]>;
  readonly notes: readonly LayerNote[];
  /** The layers of words that are there, at rest. */
  readonly texts: readonly CompiledText[];
  /** Its credits; null for a title without, or with nothing in them. */
  readonly credits: CompiledCredits | null;
  /** The layers whose places are mirrored, left for right. */
  readonly mirrored: ReadonlySet<string>;
  /** What the moves of a layer's in and out come to on the units that it has; empty for one that is not there. */
  moveTimes(layerId: string): { readonly in: readonly MoveTimes[]; readonly out: readonly MoveTimes[] };
  /** Whether nothing of it changes while it holds. */
  readonly holdsStill: boolean;
  /** How its words are seen at a time. */
  wordsAt(seconds: number, timing: TitleTiming): readonly WordState[];
  /** The display list at a time (seconds from the title's start; outside the title it is empty), of `only` these layers. */
  frame(seconds: number, timing: TitleTiming, only?: ReadonlySet<string>): DisplayList;
}

/**
 * Lays a title out, moved as a whole where `shift` says so; what covers the frame stays. `language` (BCP 47) is that of
 * words whose field says none. Throws InputError when layers wait for one another in a circle.
 */
export function compile(
  template: Template,
  values: FieldValues,
  plainFormat: FrameFormat,
  fonts: FontLibrary,
  pictures: PictureSizes = NO_PICTURES,
  shift: Shift | null = null,
  language?: string,
): CompiledTitle {
  const resolved = resolve(plainColours(template), { format: plainFormat, values, language, mirrors: true });
  const { format, languageOf } = resolved;
  const by = shift === null ? null : wholePixels(shift, format);
  const toPixels = unitsToPixels(format);
  const stages = createStages(resolved, { format, fonts, pictures, languageOf });
  const stacking = stackingOf(resolved.template.layers);
  const stageAt = (seconds: number, timing: TitleTiming): Stage => ({
    layers: stages.at(seconds, timing).layers,
    still: stages.still.layers,
    ...stacking,
    timing,
    format,
    shift: by,
    stageAt: (time, other = timing) => stageAt(time, other),
  });
  const ids = resolved.template.layers.map(({ id }) => id);
  const layersOf = ({ layers }: LaidOut): readonly CompiledLayer[] =>
    ids.flatMap((id) => layers.get(id) ?? []);
  const layersAt = (seconds: number, timing: TitleTiming): readonly CompiledLayer[] =>
    layersOf(stages.at(seconds, timing));
  const still = layersOf(stages.still);
  return {
    format,
    toPixels,
    boxes: boxesOf(still, by, format),
    notes: ids.flatMap((id) => stages.still.placed.get(id) ?? []).flatMap(layerNotes),
    texts: textsOf(still, by, format),
    boxesAt: (seconds, timing) => boxesOf(layersAt(seconds, timing), by, format),
    cornersAt: (seconds, timing) =>
      new Map(layersAt(seconds, timing).map((one) => [one.layer.id, cornersOf(one, by, format)])),
    credits: compiledCredits(still),
    mirrored: mirroredPlaces(resolved.template),
    moveTimes: (layerId) => timesOf(stages.still.layers.get(layerId)),
    holdsStill: !resolved.isKeyed && resolved.template.layers.every(holdsStill),
    wordsAt: (seconds, timing) => wordStates(stageAt(seconds, timing), seconds),
    frame(seconds, timing, only) {
      const shown = seconds >= 0 && seconds <= timing.totalSeconds;
      const stage = {
        ...stageAt(seconds, timing),
        ...(only && stackingOf(resolved.template.layers.filter(({ id }) => only.has(id)))),
      };
      return {
        widthPx: format.widthPx,
        heightPx: format.heightPx,
        items: shown ? paintStage(stage, seconds, toPixels) : [],
      };
    },
  };
}

const timesOf = (layer: CompiledLayer | undefined): ReturnType<CompiledTitle['moveTimes']> => ({
  in: layer?.in?.times ?? [],
  out: layer?.out?.times ?? [],
});

/** What they show moves by itself. */
const MOVING_KINDS: ReadonlySet<Layer['kind']> = new Set([
  'backdrop',
  'particles',
  'light',
  'programme',
  'copy',
]);

/** Whether a layer neither moves by itself nor has a time of its own. */
function holdsStill(layer: Layer): boolean {
  const { kind, motion } = layer;
  if (layer.kind === 'credits' || (layer.kind === 'rows' && (layer.moments !== undefined || hasPages(layer))))
    return false;
  return !MOVING_KINDS.has(kind) && motion.hold.length === 0 && motion.retime === null && motion.span == null;
}

/** The nearest way that is whole pixels, or edges that lie on pixels would be blurred. */
function wholePixels({ dxU, dyU }: Shift, format: FrameFormat): Shift {
  const [across, , , down] = unitsToPixels(format);
  return { dxU: Math.round(dxU * across) / across, dyU: Math.round(dyU * down) / down };
}

function boxesOf(
  layers: readonly CompiledLayer[],
  by: Shift | null,
  format: FrameFormat,
): ReadonlyMap<string, PlacedBox> {
  return new Map(
    layers.map(({ layer, box, shift }) => {
      const moved = isMoved(box, by, format) ?? { dxU: 0, dyU: 0 };
      const { x, y } = { x: box.x + shift.dxU + moved.dxU, y: box.y + shift.dyU + moved.dyU };
      return [layer.id, { ...box, x, y }];
    }),
  );
}

/** How a moved title moves a layer: what covers the frame stays. */
function isMoved(box: PlacedBox, by: Shift | null, format: FrameFormat): Shift | null {
  return by === null || containsRect(box, safeArea(format, 'frame')) ? null : by;
}

function cornersOf(layer: CompiledLayer, by: Shift | null, format: FrameFormat): Point[] {
  const seen = projectCorners(standingMap(layer), layer.box);
  const moved = isMoved(layer.box, by, format) ?? { dxU: 0, dyU: 0 };
  const matrix = layerMatrix(layer, [1, 0, 0, 1, moved.dxU, moved.dyU]);
  return seen.map((point) => mapPoint(matrix, point));
}

function textsOf(layers: readonly CompiledLayer[], by: Shift | null, format: FrameFormat): CompiledText[] {
  return layers.flatMap((one) => {
    const { capU } = one.measured;
    const seen = capU !== undefined && one.layer.opacity > 0;
    return seen
      ? [
          {
            layerId: one.layer.id,
            capU,
            goesBy: goesBy(one),
            ink: (...at) => inkOf(one, format, by, at),
            standsAt: standsAt(one),
          },
        ]
      : [];
  });
}

const goesBy = ({ roll, chain, pages }: CompiledLayer): boolean =>
  roll !== null || chain !== null || pages !== null;

function standsAt({ spanAt }: CompiledLayer): CompiledText['standsAt'] {
  return (seconds, title) => {
    if (spanAt === null) return seconds;
    const { fromSeconds, timing } = spanAt(title);
    const [from, to] = [fromSeconds + timing.inSeconds, fromSeconds + timing.outStartSeconds];
    return seconds >= from && seconds < to ? seconds : (from + to) / 2;
  };
}

/** Whether words that go by can be read now: those of a roll while they are not faint, others while they stand. */
function isThere({ roll }: CompiledLayer, { acts }: PosedUnit): boolean {
  return roll === null ? acts.length === 0 : acts.every(({ pose }) => pose.opacity >= 1);
}

function inkOf(
  layer: CompiledLayer,
  format: FrameFormat,
  shift: Shift | null,
  [seconds, timing]: Parameters<CompiledText['ink']>,
): DisplayItem[] {
  const { resting, own } = layer;
  const toPixels = unitsToPixels(format);
  const placed = shift === null ? toPixels : translated(toPixels, shift.dxU, shift.dyU);
  const matrix = own === null ? placed : multiply(placed, own);
  const goes = goesBy(layer) || layer.spanAt !== null;
  const posed = goes ? poseUnits(layer, seconds, timing) : bentUnits(layer, resting);
  const units = goesBy(layer) ? posed.filter((one) => isThere(layer, one)) : posed;
  return units.flatMap((posed) => {
    const { flat } = goes ? mapUnit(layer, posed) : { flat: null };
    const there = flat === null ? matrix : multiply(matrix, flat);
    return posed.unit.shapes.flatMap((shape): DisplayItem[] => {
      if (shape.kind !== 'path' || shape.ground === true) return [];
      return [{ kind: 'fill', outline: shape.outline, paint: solid('#000000'), matrix: there, opacity: 1 }];
    });
  });
}
