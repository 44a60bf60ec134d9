import { isUpright } from '../credits/rollWays';
import type { Homography } from '../display/homography';
import { invertMap, mapOf, rectToQuad } from '../display/homography';
import type { Layer, RowsLayer, Template, Timing, UnitKind } from '../model/template';
import { hasPages, rowWords, shownRows } from '../model/template';
import type { Matrix } from '../kit/matrix';
import { mapPoint } from '../kit/matrix';
import type { Point, Rect } from '../kit/rect';
import { bindLayer } from '../layers';
import type { LayerUnit, Measured, PictureSize, PictureSizes } from '../layers/layerKind';
import type { LayerPaint, OwnPaint, UnitShape } from '../display/unitShape';
import type { FrameFormat } from '../frame/formats';
import { unitsToPixels } from '../frame/formats';
import { ownMatrix } from '../layout/ownMatrix';
import type { PlacedBox } from '../frame/points';
import type { PlacedLayer } from '../layout/resolveLayout';
import { safeArea } from '../frame/safeAreas';
import { REST } from '../moves/pose';
import { readingSeconds } from '../text/readingTime';
import type { SpanTime } from '../titleTime/span';
import { spanTime } from '../titleTime/span';
import type { TitleTiming } from '../titleTime/stretch';
import type { CompiledArrivals } from './arrivals';
import { compileArrivals } from './arrivals';
import type { CompiledChain } from './chain';
import { compileChain } from './chain';
import { chainOfCards } from './chainTimes';
import type { CompiledPages } from './rowPages';
import { compilePages } from './rowPages';
import type { RowTimesOf } from './rowTimes';
import type { CompiledRoll } from './roll';
import { compileRoll } from './roll';
import type { ColumnLayer, CompiledColumn, PosedUnit } from './columns';
import { compileColumn, compileHold } from './columns';
import type { Surroundings } from './motion';
import type { Eye } from './poseMap';
import { pivotOf, poseMap } from './poseMap';

/** How far something lies from where it was laid out, in design units. */
export interface Offset {
  readonly dxU: number;
  readonly dyU: number;
}

export const NO_OFFSET: Offset = { dxU: 0, dyU: 0 };

/** A layer ready to be asked for any time. It is laid out once; where it lies and how it looks can change after that. */
export interface CompiledLayer {
  readonly layer: Layer;
  readonly measured: Measured;
  /** Where it was laid out; all its units and shapes lie there. */
  readonly box: PlacedBox;
  /** How far from there it lies now. */
  readonly shift: Offset;
  /** How far its pixels are moved in addition, so that what rests lies on whole ones. */
  readonly nudge: Offset;
  /** Turns and scales it about its own point, in design units; null when it is as it lies. */
  readonly own: Matrix | null;
  readonly resting: readonly PosedUnit[];
  /** Pulls it to its pinned corners; null when it is not pinned. */
  readonly pinned: Homography | null;
  /** Tips and turns it in depth as a whole; null when it stands in the picture's plane. */
  readonly stands: Homography | null;
  readonly eye: Eye;
  /** The lines of a text that has a colour behind each. */
  readonly lines: readonly Rect[];
  /** Its own paints, where they are not those that it was laid out with. */
  readonly repaint: ((own: OwnPaint) => LayerPaint | null) | null;
  /** The shapes at a time, for a layer whose content moves by itself. */
  readonly animate: ((seconds: number, frameSeconds: number) => UnitShape[]) | null;
  readonly pictureSize: PictureSize | undefined;
  /** Whether numbers of it ever count. */
  readonly counts: boolean;
  /** Whether letters of it ever show others in their place. */
  readonly swaps: boolean;
  /** The part of a title in which it is there; null for all of it. */
  readonly spanAt: ((title: TitleTiming) => SpanTime) | null;
  /** Only what lies in it is seen, at all times; null for everything. */
  readonly window: Rect | null;
  readonly in: CompiledColumn | null;
  /** Rows that come at moments of their own, in place of the in; null for none. */
  readonly arrivals: CompiledArrivals | null;
  /** Rows that follow one another page by page, in place of in, hold and out; null for none. */
  readonly pages: CompiledPages | null;
  /** Rows that replace one another, in place of in, hold and out; null for none. */
  readonly chain: CompiledChain | null;
  /** Credits that go by, in place of in, hold and out; null for none. */
  readonly roll: CompiledRoll | null;
  readonly hold: CompiledColumn | null;
  readonly out: CompiledColumn | null;
}

/** What a layer is compiled with. */
export interface LayerContext {
  readonly format: FrameFormat;
  readonly pictures: PictureSizes;
  readonly timing: Timing;
  readonly marks: Template['marks'];
}

/**
 * Makes a placed layer ready. `snap` moves its edges and baselines; left out, they lie on whole pixels. `standsAt` is
 * the box that it is tipped and turned about, its own unless it is laid out anew while it moves.
 */
export function compileLayer(
  { layer, measured, box }: PlacedLayer,
  context: LayerContext,
  snap?: readonly number[],
  standsAt: PlacedBox = box,
): CompiledLayer {
  const { format, pictures, timing, marks } = context;
  const toPixels = unitsToPixels(format);
  const cache = new Map<UnitKind, LayerUnit[]>();
  const unitsOf = (kind: UnitKind): LayerUnit[] => {
    const known = cache.get(kind) ?? measured.units(kind, box, toPixels, snap);
    cache.set(kind, known);
    return known;
  };
  const around = { ...surroundings(layer, box, format, unitsOf), marks };
  const motion = compileMotion(layer, measured, timing, { unitsOf, around });
  return {
    layer,
    measured,
    box,
    shift: NO_OFFSET,
    nudge: NO_OFFSET,
    resting: unitsOf('layer').map((unit) => ({ unit, acts: [] })),
    lines: layer.kind === 'text' && layer.highlight !== null ? unitsOf('line').map((unit) => unit.box) : [],
    repaint: null,
    animate: animation(measured, box, format),
    pictureSize: layer.look.picture === null ? undefined : pictures.size(layer.look.picture),
    spanAt: spanOf(layer, timing),
    counts: [motion.in, motion.out].some((column) => column?.counts),
    swaps: [motion.in, motion.out].some((column) => column?.swaps),
    ...motion,
    ...rollOf(layer, { measured, box, toPixels, format, timing, unitsOf, around }),
    ...transforms(layer, box, standsAt, format),
  };
}

/**
 * A compiled layer as it is with other values that do not change its layout, or with its layout elsewhere: only its
 * transforms and paints are worked out again. `measured` is that of `layer`, for content that moves by itself.
 */
export function recompileLayer(
  compiled: CompiledLayer,
  { layer, measured, box }: PlacedLayer,
  { format, pictures }: LayerContext,
): CompiledLayer {
  const before = compiled.layer;
  const isPlacedAlike = layer.place === before.place && layer.motion === before.motion;
  const { own, pinned, stands, eye } = isPlacedAlike
    ? compiled
    : transforms(layer, compiled.box, compiled.box, format);
  return {
    ...compiled,
    layer,
    shift: { dxU: box.x - compiled.box.x, dyU: box.y - compiled.box.y },
    own,
    pinned,
    stands,
    eye,
    repaint: layer === before ? null : (asked) => bindLayer(layer).paint?.(asked) ?? null,
    animate: compiled.animate === null ? null : animation(measured, compiled.box, format),
    pictureSize:
      layer.look.picture === null || layer.look === before.look
        ? compiled.pictureSize
        : pictures.size(layer.look.picture),
  };
}

function spanOf({ motion: { span = null } }: Layer, design: Timing): CompiledLayer['spanAt'] {
  if (span === null) return null;
  let known: { readonly title: TitleTiming; readonly own: SpanTime } | null = null;
  return (title) => {
    if (known?.title !== title) known = { title, own: spanTime(span, design, title) };
    return known.own;
  };
}

function animation({ animate }: Measured, box: PlacedBox, format: FrameFormat): CompiledLayer['animate'] {
  if (animate === undefined) return null;
  return (seconds, frameSeconds) => animate(seconds, box, unitsToPixels(format), frameSeconds);
}

function transforms(
  layer: Layer,
  box: PlacedBox,
  standsAt: PlacedBox,
  format: FrameFormat,
): Pick<CompiledLayer, 'own' | 'pinned' | 'stands' | 'eye'> {
  const own = ownMatrix(layer.place, box);
  const eye = { centre: eyeFor(own, format), distanceU: layer.motion.perspectiveU };
  return { own, pinned: pinMap(layer.place.pin, box), stands: standing(layer, standsAt, eye), eye };
}

/**
 * What is straight before the eye, in the space that a layer's units lie in: the middle of the frame. A title has one
 * point of view, so what is tipped gets smaller as it goes away from it.
 */
function eyeFor(own: Matrix | null, format: FrameFormat): Point {
  const frame = safeArea(format, 'frame');
  const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
  const back = own && invertMap(mapOf(own));
  if (back === null) return middle;
  return mapPoint([back[0], back[3], back[1], back[4], back[2], back[5]], middle);
}

/** A layer turned in depth as a whole, about its middle. */
function standing({ motion }: Layer, box: PlacedBox, eye: Eye): Homography | null {
  const { turnX, turnY } = motion;
  if (turnX === 0 && turnY === 0) return null;
  return poseMap({ ...REST, turnX, turnY }, pivotOf(box, 'centre'), eye);
}

function surroundings(
  layer: Layer,
  box: PlacedBox,
  format: FrameFormat,
  unitsOf: (kind: UnitKind) => readonly LayerUnit[],
): Omit<Surroundings, 'marks'> {
  const lines = layer.kind === 'text' && layer.motion.in.length > 0 ? unitsOf('line') : [];
  const lastLine = lines[lines.length - 1]?.box ?? box;
  const mirrored = layer.mirrored?.moves === true;
  return { layer: box, frame: safeArea(format, 'frame'), lastLine, mirrored };
}

function compileMotion(
  source: Layer,
  measured: Measured,
  timing: Timing,
  layer: ColumnLayer,
): Pick<CompiledLayer, 'in' | 'arrivals' | 'pages' | 'chain' | 'hold' | 'out' | 'window'> {
  const { motion } = source;
  const arrive = compileColumn(motion.in, layer, timing, false);
  const leave =
    motion.out === 'mirror'
      ? compileColumn(motion.in, layer, timing, true, true)
      : compileColumn(motion.out, layer, timing, true);
  const window = arrive?.window ?? leave?.window ?? growingWindow(source, layer.around.layer);
  const of = { timing, marks: layer.around.marks };
  const arrivals = source.kind === 'rows' ? compileRowArrivals(source, layer, of) : null;
  const pages = source.kind === 'rows' && hasPages(source) ? compilePages(source, layer, of) : null;
  const chain = compileRowChain(source, measured, layer, timing);
  return { in: arrive, arrivals, pages, chain, hold: compileHold(motion.hold, layer), out: leave, window };
}

// However far rows slide or their shadows reach.
const AROUND_U = 8000;

/** What is seen of a list on its way to the next row: nothing below the height that it has so far. */
function growingWindow(layer: Layer, { x, y, width, height }: Rect): Rect | null {
  if (layer.kind !== 'rows' || Number.isInteger(layer.presentRows ?? 0)) return null;
  // An edge that rounding puts a hair beyond a pixel must not show one more.
  const foot = Math.round((y + height) * 1e6) / 1e6;
  const top = Math.round(y) - AROUND_U;
  return { x: x - AROUND_U, y: top, width: width + 2 * AROUND_U, height: foot - top };
}

/** Rows that come at the title's moments, or as designed where earlier ones are dimmed; null where the in does it. */
function compileRowArrivals(source: RowsLayer, layer: ColumnLayer, of: RowTimesOf): CompiledArrivals | null {
  const { moments = null, earlierOpacity = 1, chain = null } = source;
  if (chain !== null || (moments === null && earlierOpacity >= 1)) return null;
  return compileArrivals(source, layer, of);
}

/** Rows in turn, or cards; null for a layer whose rows stand together. */
function compileRowChain(
  source: Layer,
  { credits }: Measured,
  layer: ColumnLayer,
  timing: Timing,
): CompiledChain | null {
  const { motion } = source;
  if (source.kind === 'credits') {
    const cards = credits?.cards ?? [];
    if (cards.length === 0) return null;
    const reads = cards.map((card) => readingSeconds(card.reads));
    return compileChain(motion, layer, timing, { chain: chainOfCards(source.cards), reads });
  }
  if (source.kind !== 'rows') return null;
  const { chain, moments } = source;
  const reads = shownRows(source).map((row) => readingSeconds(rowWords(row)));
  return chain == null || reads.length === 0
    ? null
    : compileChain(motion, layer, timing, { chain, moments, reads });
}

// Credits that go by are seen in their window only; across their way they may stick out, as shadows do.
const BESIDE_WINDOW_U = 4000;

/** How credits go by, and what keeps them to their window where it is not the whole picture. */
function rollOf(
  layer: Layer,
  input: ColumnLayer & {
    readonly measured: Measured;
    readonly box: PlacedBox;
    readonly toPixels: Matrix;
    readonly format: FrameFormat;
    readonly timing: Timing;
  },
): Pick<CompiledLayer, 'roll'> & Partial<Pick<CompiledLayer, 'window'>> {
  if (layer.kind !== 'credits') return { roll: null };
  const { box } = input;
  const roll = compileRoll({ layer, ...input });
  const { turnX, turnY } = layer.motion;
  if (roll === null || turnX !== 0 || turnY !== 0) return { roll };
  const [across, along] = isUpright(layer.roll) ? [BESIDE_WINDOW_U, 0] : [0, BESIDE_WINDOW_U];
  const { x, y, width, height } = box;
  return {
    roll,
    window: { x: x - across, y: y - along, width: width + 2 * across, height: height + 2 * along },
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
