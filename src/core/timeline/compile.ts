import type { Shift } from '../document/project';
import type { FieldValues, Layer, Template, Timing, UnitKind } from '../document/template';
import type { Homography } from '../display/homography';
import { rectToQuad } from '../display/homography';
import type { DisplayItem, DisplayList } from '../display/list';
import type { Matrix } from '../kit/matrix';
import { multiply, translated } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { containsRect } from '../kit/rect';
import type {
  LayerUnit,
  Measured,
  PictureSize,
  PictureSizes,
  TypeFacts,
  UnitShape,
} from '../layers/layerKind';
import { solid } from '../layers/layerKind';
import type { FrameFormat } from '../layout/formats';
import { unitsToPixels } from '../layout/formats';
import type { PlacedBox } from '../layout/points';
import { ownMatrix } from '../layout/ownMatrix';
import type { PlacedLayer } from '../layout/resolveLayout';
import { NO_PICTURES, resolveLayout } from '../layout/resolveLayout';
import { safeArea } from '../layout/safeAreas';
import { countWords } from '../text/countWords';
import { REST } from '../moves/pose';
import type { Resolved } from '../resolve/resolve';
import { resolve } from '../resolve/resolve';
import { applySettings } from '../resolve/settings';
import { FACES } from '../text/faces';
import type { FontLibrary } from '../text/fontLibrary';
import type { ColumnLayer, CompiledColumn, PosedUnit } from './columns';
import { compileColumn, compileHold } from './columns';
import type { Act, Surroundings } from './motion';
import type { Stage } from './paintLayer';
import { paintStage } from './paintLayer';
import type { TitleTiming } from './stretch';

/** A layer ready to be asked for any time. */
export interface CompiledLayer {
  readonly layer: Layer;
  readonly box: PlacedBox;
  /** Turns and scales it about its own point, in design units; null when it is as it lies. */
  readonly own: Matrix | null;
  readonly resting: readonly PosedUnit[];
  /** Pulls it to its pinned corners; null when it is not pinned. */
  readonly pinned: Homography | null;
  /** How the layer stands turned in depth; null when it does not. */
  readonly stands: Act | null;
  /** The lines of a text, for what lies behind each. */
  readonly lines: readonly Rect[];
  /** The shapes at a time, for a layer whose content moves by itself. */
  readonly animate: ((seconds: number) => UnitShape[]) | null;
  readonly pictureSize: PictureSize | undefined;
  /** The layer's one unit with its numbers counted to a share; null for a layer whose numbers never count. */
  readonly counted: ((share: number) => LayerUnit) | null;
  /** Only what lies in it is seen, at all times; null for everything. */
  readonly window: Rect | null;
  readonly in: CompiledColumn | null;
  readonly hold: CompiledColumn | null;
  readonly out: CompiledColumn | null;
}

/** Something a designer or editor should know about a layer, in words. */
interface LayerNote {
  readonly layerId: string;
  readonly kind: 'fitted' | 'overflow' | 'missing' | 'standIn' | 'unknownFace';
  readonly message: string;
}

/** A layer of words at rest. */
export interface CompiledText {
  readonly layerId: string;
  readonly type: TypeFacts;
  /** The shapes of its letters alone, in black. */
  ink(): DisplayItem[];
}

/** A template with values in a format: laid out once, asked for as many frames as wanted. */
export interface CompiledTitle {
  readonly format: FrameFormat;
  readonly toPixels: Matrix;
  /** Boxes of the layers that are present, in design units, by layer id. */
  readonly boxes: ReadonlyMap<string, PlacedBox>;
  /** The boxes as keyframes have them at a time. */
  boxesAt(seconds: number, timing: TitleTiming): ReadonlyMap<string, PlacedBox>;
  readonly notes: readonly LayerNote[];
  /** The layers of words that are there, at rest. */
  readonly texts: readonly CompiledText[];
  /** The display list at a time (seconds from the title's start; outside the title it is empty). */
  frame(seconds: number, timing: TitleTiming): DisplayList;
}

/** Lays a title out, moved as a whole where `shift` says so; what covers the frame stays. Throws InputError when layers wait for one another in a circle. */
export function compile(
  template: Template,
  values: FieldValues,
  plainFormat: FrameFormat,
  fonts: FontLibrary,
  pictures: PictureSizes = NO_PICTURES,
  shift: Shift | null = null,
): CompiledTitle {
  const resolved = resolve(template, { format: plainFormat, values });
  const { format } = resolved;
  const by = shift === null ? null : wholePixels(shift, format);
  const layOut = (moved: Template): LaidOut => {
    const laid = layOutStill(moved, format, fonts, pictures, by);
    return by === null ? laid : { ...laid, boxes: shiftBoxes(laid.boxes, by, format) };
  };
  const still = layOut(resolved.template);
  const at = resolved.isKeyed ? followTracks(resolved, layOut) : () => still;
  return {
    format,
    toPixels: unitsToPixels(format),
    boxes: still.boxes,
    notes: still.notes,
    texts: still.texts,
    boxesAt: (seconds, timing) => at(seconds, timing).boxes,
    frame(seconds, timing) {
      const shown = seconds >= 0 && seconds <= timing.totalSeconds;
      const stageAt = (time: number): Stage => ({ ...at(time, timing), timing, format, shift: by, stageAt });
      return {
        widthPx: format.widthPx,
        heightPx: format.heightPx,
        items: shown ? paintStage(stageAt(seconds), seconds, unitsToPixels(format)) : [],
      };
    },
  };
}

/** The nearest way that is whole pixels, or edges that lie on pixels would be blurred. */
function wholePixels({ dxU, dyU }: Shift, format: FrameFormat): Shift {
  const [across, , , down] = unitsToPixels(format);
  return { dxU: Math.round(dxU * across) / across, dyU: Math.round(dyU * down) / down };
}

function shiftBoxes(
  boxes: ReadonlyMap<string, PlacedBox>,
  { dxU, dyU }: Shift,
  format: FrameFormat,
): ReadonlyMap<string, PlacedBox> {
  const frame = safeArea(format, 'frame');
  return new Map(
    [...boxes].map(([id, box]) => [
      id,
      containsRect(box, frame) ? box : { ...box, x: box.x + dxU, y: box.y + dyU },
    ]),
  );
}

/** A template laid out in one state. */
type LaidOut = Pick<Stage, 'layers' | 'members' | 'top'> & Pick<CompiledTitle, 'boxes' | 'notes' | 'texts'>;

// So many different states of a title with keyframes are kept; a hold asks for the same one again and again.
const STATES_KEPT = 48;

/** A title laid out anew wherever its keyframes give other values. */
function followTracks(
  { template, keysAt }: Resolved,
  layOut: (template: Template) => LaidOut,
): (seconds: number, timing: TitleTiming) => LaidOut {
  const known = new Map<string, LaidOut>();
  return (seconds, timing) => {
    const settings = keysAt(seconds, timing);
    const state = JSON.stringify(settings);
    const before = known.get(state);
    if (before !== undefined) return before;
    const made = layOut(applySettings(template, settings));
    const [oldest] = known.keys();
    if (known.size >= STATES_KEPT && oldest !== undefined) known.delete(oldest);
    known.set(state, made);
    return made;
  };
}

function layOutStill(
  applied: Template,
  format: FrameFormat,
  fonts: FontLibrary,
  pictures: PictureSizes,
  shift: Shift | null,
): LaidOut {
  const placed = resolveLayout(applied.layers, format, fonts, pictures);
  const compiled = applied.layers.flatMap((layer) => {
    const one = placed.get(layer.id);
    return one === undefined ? [] : compileLayer(one, applied, format, pictures);
  });
  // The first layer is nearest the viewer, so painting starts with the last.
  const backToFront = compiled.toReversed();
  const members = groupMembers(backToFront);
  const grouped = new Set([...members.values()].flat());
  // A matte is seen only through what it is the matte of.
  const mattes = new Set(compiled.flatMap(({ layer }) => layer.matte?.layerId ?? []));
  return {
    layers: new Map(compiled.map((layer) => [layer.layer.id, layer])),
    members,
    top: backToFront.filter((layer) => !grouped.has(layer) && !mattes.has(layer.layer.id)),
    boxes: new Map(compiled.map((layer) => [layer.layer.id, layer.box])),
    notes: [...placed.values()].flatMap(layerNotes),
    texts: compiled.flatMap((layer) => {
      const type = placed.get(layer.layer.id)?.measured.type;
      const seen = type !== undefined && layer.layer.opacity > 0;
      return seen ? [{ layerId: layer.layer.id, type, ink: () => inkOf(layer, format, shift) }] : [];
    }),
  };
}

function inkOf({ resting, own }: CompiledLayer, format: FrameFormat, shift: Shift | null): DisplayItem[] {
  const toPixels = unitsToPixels(format);
  const placed = shift === null ? toPixels : translated(toPixels, shift.dxU, shift.dyU);
  const matrix = own === null ? placed : multiply(placed, own);
  return resting.flatMap(({ unit }) =>
    unit.shapes.flatMap((shape): DisplayItem[] => {
      if (shape.kind !== 'path' || shape.ground === true) return [];
      return [{ kind: 'fill', outline: shape.outline, paint: solid('#000000'), matrix, opacity: 1 }];
    }),
  );
}

/** The members of each group, in the order given; a layer belongs to the first group that names it. */
function groupMembers(layers: readonly CompiledLayer[]): ReadonlyMap<string, readonly CompiledLayer[]> {
  const taken = new Set<string>();
  const members = new Map<string, readonly CompiledLayer[]>();
  for (const { layer } of layers) {
    if (layer.kind !== 'group') continue;
    const own = layer.members.filter((id) => !taken.has(id));
    for (const id of own) taken.add(id);
    members.set(
      layer.id,
      layers.filter((one) => own.includes(one.layer.id)),
    );
  }
  return members;
}

function compileLayer(
  { layer, measured, box }: PlacedLayer,
  { timing, marks }: Template,
  format: FrameFormat,
  pictures: PictureSizes,
): CompiledLayer {
  const toPixels = unitsToPixels(format);
  const cache = new Map<UnitKind, LayerUnit[]>();
  const unitsOf = (kind: UnitKind): LayerUnit[] => {
    const known = cache.get(kind) ?? measured.units(kind, box, toPixels);
    cache.set(kind, known);
    return known;
  };
  const { animate } = measured;
  const motion = compileMotion(layer, timing, {
    unitsOf,
    around: { ...surroundings(layer, box, format, unitsOf), marks },
  });
  return {
    layer,
    box,
    own: ownMatrix(layer.place, box),
    resting: unitsOf('layer').map((unit) => ({ unit, acts: [] })),
    lines: layer.kind === 'text' && layer.highlight !== null ? unitsOf('line').map((unit) => unit.box) : [],
    animate: animate === undefined ? null : (seconds) => animate(seconds, box),
    pictureSize: layer.look.picture === null ? undefined : pictures.size(layer.look.picture),
    pinned: pinMap(layer.place.pin, box),
    stands: standing(layer, box),
    counted: [motion.in, motion.out].some((column) => column?.counts)
      ? countedUnits(measured, box, toPixels)
      : null,
    ...motion,
  };
}

/** A layer turned in depth as a whole, as an act on all that it shows. */
function standing({ motion }: Layer, box: PlacedBox): Act | null {
  const { turnX, turnY } = motion;
  if (turnX === 0 && turnY === 0) return null;
  const unit: LayerUnit = { box, ink: box, shapes: [] };
  return { unit, pose: { ...REST, turnX, turnY }, plan: { parts: [] }, pivot: 'centre' };
}

function surroundings(
  layer: Layer,
  box: PlacedBox,
  format: FrameFormat,
  unitsOf: (kind: UnitKind) => readonly LayerUnit[],
): Omit<Surroundings, 'marks'> {
  const lines = layer.kind === 'text' && layer.motion.in.length > 0 ? unitsOf('line') : [];
  const lastLine = lines[lines.length - 1]?.box ?? box;
  return { layer: box, frame: safeArea(format, 'frame'), lastLine };
}

function compileMotion(
  { motion }: Layer,
  timing: Timing,
  layer: ColumnLayer,
): Pick<CompiledLayer, 'in' | 'hold' | 'out' | 'window'> {
  const arrive = compileColumn(motion.in, layer, timing, false);
  const leave =
    motion.out === 'mirror'
      ? compileColumn(motion.in, layer, timing, true, true)
      : compileColumn(motion.out, layer, timing, true);
  const window = arrive?.window ?? leave?.window ?? null;
  return { in: arrive, hold: compileHold(motion.hold, layer), out: leave, window };
}

function countedUnits({ reworded }: Measured, box: PlacedBox, toPixels: Matrix): CompiledLayer['counted'] {
  if (reworded === undefined) return null;
  const known = new Map<number, LayerUnit>();
  return (share) => {
    const before = known.get(share);
    if (before !== undefined) return before;
    const made = reworded((text) => countWords(text, share), box, toPixels);
    known.set(share, made);
    return made;
  };
}

/** What pulls a layer to its pinned corners; null for one that is not pinned, or pinned to a line. */
function pinMap(pin: readonly number[] | null, box: PlacedBox): Homography | null {
  if (pin === null) return null;
  const { x, y, width, height } = box;
  const corners = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  return rectToQuad(
    box,
    corners.map(([cx, cy], i) => ({ x: cx + pin[i * 2], y: cy + pin[i * 2 + 1] })),
  );
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
  if (measured.standIns.length > 0) {
    add(
      'standIn',
      `"${layer.name}" is set partly in ${measured.standIns.join(' and ')}, since its own face lacks those characters`,
    );
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
