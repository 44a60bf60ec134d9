import type { CreditsLayer, MoveUse, Timing } from '../model/template';
import { newMoveUse } from '../model/newMove';
import type { RollMeasure, RollWay } from '../credits/rollWays';
import type { RollPace } from '../credits/rollPace';
import { frameGone, goneAt } from '../credits/rollPace';
import { evenFrames, gapsFor, isUpright, rollLength, rollWays, wishedWay } from '../credits/rollWays';
import type { FrameFormat } from '../frame/formats';
import { FORMATS, unitsToPixels } from '../frame/formats';
import type { PlacedBox } from '../frame/points';
import type { Matrix } from '../kit/matrix';
import type { BesideUnit, CreditUnits, LayerUnit, Measured, MeasuredCredits } from '../layers/layerKind';
import { restPose } from '../moves/pose';
import type { TitleTiming } from '../titleTime/stretch';
import type { ColumnLayer, PosedUnit } from './columns';
import type { Act, CompiledMove } from './motion';
import { actThrough, compileMove, GOES_BY } from './motion';
import type { WholeMoves } from './wholeMoves';
import { compileWhole } from './wholeMoves';

/** Credits that go by; asked for what is in the window at a time. */
export interface CompiledRoll {
  at(seconds: number, timing: TitleTiming): readonly PosedUnit[];
  /** The frame in which a row is in the middle of the window; null for a row that is not shown. */
  frameOf(rowId: string, timing: TitleTiming): number | null;
  /** How it meets a title's length. */
  plan(timing: TitleTiming): RollPlan;
  /** The ways that it could, the nearest to the design first, each with its size set. */
  ways(timing: TitleTiming): readonly RollWay[];
}

/** How a roll meets the length of its title. */
export interface RollPlan {
  readonly way: RollWay;
  /** The frames that it goes. */
  readonly frames: number;
  readonly measure: RollMeasure;
  /** As it is in the designed size. */
  readonly designed: RollMeasure;
  /** The pixels that speeds are multiples of: 1, or 2 for whole lines a field. */
  readonly stepPx: number;
  /** The frames in which it slows down to rest at the end. */
  readonly slowFrames: number;
  /** The delivery's pixels in a design unit along the way. */
  readonly pxPerU: number;
}

/** The frames that a roll goes, and those of them in which it slows. */
type Going = Pick<RollPlan, 'frames' | 'slowFrames'>;

interface RollInput extends ColumnLayer {
  readonly layer: CreditsLayer;
  readonly measured: Measured;
  readonly box: PlacedBox;
  readonly toPixels: Matrix;
  readonly format: FrameFormat;
  readonly timing: Timing;
}

/** A block on its way: where it starts from the roll's first edge, and how long it is, in whole pixels. */
interface Placed {
  readonly unit: LayerUnit;
  readonly rowIds: readonly string[];
  readonly startPx: number;
  readonly lengthPx: number;
}

interface Laid extends RollPlan {
  readonly pace: RollPace;
  readonly blocks: readonly Placed[];
  readonly lengthPx: number;
  readonly beside: readonly BesideUnit[];
}

// How far accents, outlines and shadows may stick out of a block.
const REACH_U = 120;

// How long a picture beside takes to come and to go.
const BESIDE_SECONDS = 0.6;

/** Makes a roll ready; null for a layer that does not roll or shows nothing. */
export function compileRoll(input: RollInput): CompiledRoll | null {
  const { measured } = input;
  const blocksAt = measured.credits?.blocksAt ?? null;
  return blocksAt === null ? null : new Roll(input, blocksAt);
}

class Roll implements CompiledRoll {
  private readonly sized = new Map<number, CreditUnits>();
  private laid: Laid | null = null;
  private readonly besideMoves = new Map<
    BesideUnit,
    { readonly comes: CompiledMove; readonly goes: CompiledMove }
  >();
  private readonly wholeAt: WholeMoves;
  private readonly pxPerU: number;
  private readonly stepPx: number;
  private readonly windowPx: number;

  constructor(
    private readonly input: RollInput,
    private readonly blocksAt: NonNullable<MeasuredCredits['blocksAt']>,
  ) {
    const { box, layer, format } = input;
    // However small it is shown, it goes as it does in the format's own pixels.
    const toPixels = unitsToPixels(FORMATS.find(format.id) ?? format);
    this.wholeAt = compileWhole(layer.motion, input, input.timing);
    this.pxPerU = isUpright(layer.roll) ? toPixels[3] : toPixels[0];
    this.stepPx = format.interlaced === true ? 2 : 1;
    this.windowPx = Math.round((isUpright(layer.roll) ? box.height : box.width) * this.pxPerU);
  }

  plan(timing: TitleTiming): RollPlan {
    return this.layOut(timing);
  }

  ways(timing: TitleTiming): readonly RollWay[] {
    const laid = this.layOut(timing);
    return this.waysFor(laid).ways.map((way) => {
      const measure = this.measure(this.unitsAt(way.size));
      return { ...way, spacing: spacingOf(this.gapsOf(measure, way, laid), measure) };
    });
  }

  frameOf(rowId: string, timing: TitleTiming): number | null {
    const { blocks, pace } = this.layOut(timing);
    const block = blocks.find(({ rowIds }) => rowIds.includes(rowId));
    if (block === undefined) return null;
    const goneBy = block.startPx + (block.lengthPx + this.windowPx) / 2;
    return Math.round(frameGone(pace, goneBy));
  }

  at(seconds: number, timing: TitleTiming): readonly PosedUnit[] {
    const laid = this.layOut(timing);
    // Rounding must not put a whole number of frames just before or after one.
    const frame = Math.round((seconds / timing.frameSeconds) * 4096) / 4096;
    const goneBy = goneAt(laid.pace, frame);
    const stays = this.input.layer.roll.ends === 'stays';
    const isThere = goneBy > 0 && (stays || goneBy < laid.lengthPx);
    const reachPx = REACH_U * this.pxPerU;
    const first = firstAfter(laid.blocks, goneBy - this.windowPx - reachPx);
    const whole = this.wholeAt(seconds, timing);
    const seen: PosedUnit[] = [];
    for (let i = first; isThere && i < laid.blocks.length && laid.blocks[i].startPx < goneBy + reachPx; i++) {
      const block = laid.blocks[i];
      seen.push({ unit: block.unit, acts: [...whole, this.gone(block, goneBy - block.startPx)] });
    }
    const beside = laid.beside.flatMap((one) => this.besideAt(one, laid, seconds, timing));
    return [...beside.map(({ unit, acts }) => ({ unit, acts: [...whole, ...acts] })), ...seen];
  }

  /** A block whose first edge has gone so far into the window. */
  private gone({ unit, lengthPx }: Placed, inPx: number): Act {
    const { layer } = this.input;
    const pose = restPose();
    const way = layer.roll.way;
    // Units lie at the window's top left.
    const far = way === 'up' || way === 'left' ? this.windowPx - inPx : inPx - lengthPx;
    if (isUpright(layer.roll)) pose.yU = far / this.pxPerU;
    else pose.xU = far / this.pxPerU;
    pose.opacity = softly(inPx, lengthPx, this.windowPx, layer.roll.softShare);
    return { unit, pose, plan: GOES_BY, pivot: 'centre' };
  }

  private besideAt(one: BesideUnit, laid: Laid, seconds: number, { frameSeconds }: TitleTiming): PosedUnit[] {
    const { from, to } = besideTimes(one, laid, this.windowPx, frameSeconds);
    const through = Math.min((seconds - from) / BESIDE_SECONDS, (to - seconds) / BESIDE_SECONDS, 1);
    if (through <= 0) return [];
    const leaving = seconds > (from + to) / 2;
    const { comes, goes } = this.movesOf(one);
    // A video begins with the frame in which it comes, and both fields of a frame show the same of it.
    const frames = Math.floor(seconds / frameSeconds + 1e-6) - Math.ceil(from / frameSeconds - 1e-6);
    const unit = one.unitAt?.(Math.max(0, frames) * frameSeconds) ?? one.unit;
    const act = actThrough(leaving ? goes : comes, unit, 0, 0, leaving ? 1 - through : through);
    return [{ unit, acts: act === null ? [] : [act] }];
  }

  private movesOf(one: BesideUnit): { readonly comes: CompiledMove; readonly goes: CompiledMove } {
    const known = this.besideMoves.get(one);
    if (known !== undefined) return known;
    const use: MoveUse = { ...newMoveUse(this.input.layer.besideMove), unit: 'layer' };
    const make = (leaving: boolean): CompiledMove =>
      compileMove(use, [one.unit], this.input.around, BESIDE_SECONDS, leaving);
    const made = { comes: make(false), goes: make(true) };
    this.besideMoves.set(one, made);
    return made;
  }

  private layOut(timing: TitleTiming): Laid {
    const { layer } = this.input;
    const going = layer.roll.ends === 'off' ? timing.totalFrames : staysFrom(layer, timing);
    const frames = Math.max(1, going);
    const slowFrames = slowFramesOf(layer, timing);
    if (this.laid?.frames !== frames || this.laid.slowFrames !== slowFrames)
      this.laid = this.solve({ frames, slowFrames });
    return this.laid;
  }

  private solve(going: Going): Laid {
    const { roll, wish } = this.input.layer;
    const { designed, ways } = this.waysFor(going);
    if (!roll.wholeLines) return this.placed(going, designed, ways[0]);
    const pxPerFrame = wish?.speedU == null ? null : wish.speedU * this.pxPerU;
    const way = wishedWay(ways, { pxPerFrame, size: wish?.size ?? null });
    return this.placed(going, designed, way);
  }

  /** The ways to meet a length, worked out from the designed size: other sizes are set when they are asked for. */
  private waysFor(going: Going): { readonly designed: RollMeasure; readonly ways: readonly RollWay[] } {
    const { layer } = this.input;
    const designed = this.measure(this.unitsAt(1));
    const ways = layer.roll.wholeLines
      ? rollWays(designed, { ...going, stepPx: this.stepPx, ...layer.roll })
      : [steadyWay(designed, going)];
    return { designed, ways };
  }

  /** All gaps together, so that a way takes exactly its frames. */
  private gapsOf(measure: RollMeasure, way: RollWay, { frames, slowFrames }: Going): number {
    if (!this.input.layer.roll.wholeLines) return measure.gapsPx;
    const { stepPx } = this;
    return Math.max(0, gapsFor(measure, way.pxPerFrame, frames - way.waitFrames, { stepPx, slowFrames }));
  }

  /** Blocks where a way puts them: what gaps have more or less is shared out among them, to the pixel. */
  private placed({ frames, slowFrames }: Going, designed: RollMeasure, way: RollWay): Laid {
    const credits = this.unitsAt(way.size);
    const measure = this.measure(credits);
    const wanted = this.gapsOf(measure, way, { frames, slowFrames });
    const gaps = credits.blocks.map(({ gapU }) => Math.round(gapU * this.pxPerU));
    const sum = measure.gapsPx;
    let gone = 0;
    let at = 0;
    const blocks = credits.blocks.map(({ unit, rowIds, lengthU }, i): Placed => {
      gone += gaps[i];
      const lengthPx = Math.round(lengthU * this.pxPerU);
      const startPx = at + (sum === 0 ? 0 : Math.round((wanted * gone) / sum));
      at += lengthPx;
      return { unit, rowIds, startPx, lengthPx };
    });
    const { beside } = credits;
    return {
      way: { ...way, spacing: spacingOf(wanted, measure) },
      designed,
      frames,
      measure,
      stepPx: this.stepPx,
      slowFrames,
      pace: {
        pxPerFrame: way.pxPerFrame,
        frames: frames - way.waitFrames,
        slowFrames,
        stepPx: this.input.layer.roll.wholeLines ? this.stepPx : null,
      },
      pxPerU: this.pxPerU,
      blocks,
      lengthPx: rollLength(measure, wanted),
      beside,
    };
  }

  private measure({ blocks }: CreditUnits): RollMeasure {
    const px = (u: number): number => Math.round(u * this.pxPerU);
    const last = blocks.at(-1);
    const blocksPx = blocks.reduce((total, { lengthU }) => total + px(lengthU), 0);
    return {
      blocksPx,
      linePx: blocksPx / Math.max(1, blocks.length),
      gapsPx: blocks.reduce((total, { gapU }) => total + px(gapU), 0),
      windowPx: this.windowPx,
      lastPx: this.input.layer.roll.ends === 'stays' && last !== undefined ? px(last.lengthU) : null,
    };
  }

  private unitsAt(size: number): CreditUnits {
    const known = this.sized.get(size);
    if (known !== undefined) return known;
    const made = this.blocksAt(size, this.input.box, this.input.toPixels);
    this.sized.set(size, made);
    return made;
  }
}

const spacingOf = (gapsPx: number, measure: RollMeasure): number =>
  measure.gapsPx === 0 ? 1 : gapsPx / measure.gapsPx;

/** The frame at which a roll that stays has come to its end. */
function staysFrom({ roll }: CreditsLayer, timing: TitleTiming): number {
  const out = timing.totalFrames - timing.outFrames;
  return Math.max(1, out - Math.round(roll.staysSeconds / timing.frameSeconds));
}

/** The frames in which a roll that stays slows down to that. */
function slowFramesOf({ roll }: CreditsLayer, { frameSeconds }: TitleTiming): number {
  return roll.ends === 'off' ? 0 : Math.round((roll.slowsSeconds ?? 0) / frameSeconds);
}

/** Meets a length by parts of a pixel, with everything as designed. */
function steadyWay(measure: RollMeasure, { frames, slowFrames }: Going): RollWay {
  const pxPerFrame = rollLength(measure, measure.gapsPx) / evenFrames(frames, slowFrames);
  return { pxPerFrame, size: 1, spacing: 1, waitFrames: 0, cost: 0 };
}

/** How opaque a block is that has gone so far into a window whose ends are soft. */
function softly(inPx: number, lengthPx: number, windowPx: number, softShare: number): number {
  if (softShare <= 0) return 1;
  const middle = inPx - lengthPx / 2;
  return Math.max(
    0,
    Math.min(1, middle / (windowPx * softShare), (windowPx - middle) / (windowPx * softShare)),
  );
}

/** The first block that has not yet gone out, where all that lies before `px` has. */
function firstAfter(blocks: readonly Placed[], px: number): number {
  let [low, high] = [0, blocks.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (blocks[middle].startPx + blocks[middle].lengthPx > px) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** When a picture beside comes and goes: with its row's way through the window, or as it says itself. */
function besideTimes(
  { row, block }: BesideUnit,
  { blocks, pace }: Laid,
  windowPx: number,
  frameSeconds: number,
): { readonly from: number; readonly to: number } {
  const anchor = blocks[Math.min(block, blocks.length - 1)];
  const startPx = anchor?.startPx ?? 0;
  const lengthPx = anchor?.lengthPx ?? 0;
  const secondsAt = (px: number): number => frameGone(pace, px) * frameSeconds;
  const from = row.atSeconds ?? secondsAt(startPx + lengthPx);
  const to = row.forSeconds === null ? secondsAt(startPx + windowPx) : from + row.forSeconds;
  return { from, to: Math.max(to, from) };
}
