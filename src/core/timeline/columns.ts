import type { HoldUse, MoveUse, Timing, UnitKind } from '../model/template';
import { HOLD_MOVES } from '../holdMoves';
import type { Rect } from '../kit/rect';
import { containsPoint, unionRects } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import { MOVES } from '../moves';
import { mirrorPivot, mirrorPlan, mirrorPose, mirrorUnitPlace } from '../mirror/mirrorPlan';
import type { MovePlan, SliceCut } from '../moves/move';
import { paramReader } from '../moves/move';
import type { Pose, PoseProperty } from '../moves/pose';
import { REST, restPose } from '../moves/pose';
import type { Act, CompiledMove, Surroundings } from './motion';
import type { MoveTimes } from './stagger';
import { actAt, compileMove, mirrorMove, mirrorWindows, unitPlaces } from './motion';

/** A unit with all that is done to it at a moment, what moves larger units first. */
export interface PosedUnit {
  readonly unit: LayerUnit;
  readonly acts: readonly Act[];
  /** Not seen: it keeps the place of a slice while the unit is whole in that of the first one. */
  readonly aside?: true;
}

/** The moves of a column that act together, made ready. */
export interface CompiledColumn {
  /**
   * The units at a share (0 to 1) of the in or the out, where a frame takes `frameShare` of it, or at seconds of a hold;
   * null when all are at rest.
   */
  at(time: number, lengthSeconds: number, frameShare?: number): readonly PosedUnit[] | null;
  /** Only what lies in it is seen, also while all are at rest; null for everything. */
  readonly window: Rect | null;
  /** Whether numbers count in it. */
  readonly counts: boolean;
  /** Whether letters change places in it. */
  readonly swaps: boolean;
  /** The times of each of its moves, in the order in which they are listed. */
  readonly times: readonly MoveTimes[];
}

/** What making a column ready needs to know of its layer. */
export interface ColumnLayer {
  unitsOf(kind: UnitKind): readonly LayerUnit[];
  readonly around: Surroundings;
}

// From the largest to the smallest.
const FINENESS: Readonly<Record<UnitKind, number>> = {
  layer: 0,
  member: 1,
  paragraph: 1,
  row: 2,
  line: 2,
  word: 3,
  letter: 4,
};

/** Moves with the units that they act on, those on the largest units first, and the smallest units, which are painted. */
export function inUnits<Use extends { readonly unit: UnitKind }>(uses: readonly Use[], layer: ColumnLayer) {
  const sorted = uses.toSorted((a, b) => FINENESS[a.unit] - FINENESS[b.unit]);
  const finest = sorted[sorted.length - 1].unit;
  const units = layer.unitsOf(finest);
  const largestFirst = sorted.map((use) => {
    const own = layer.unitsOf(use.unit);
    /** For each unit that is painted the one of this use's that it lies in. */
    const of = use.unit === finest ? units.map((_, i) => i) : holders(units, own);
    return { use, own, of };
  });
  return { units, finest, largestFirst };
}

/** Makes the moves of the in or the out ready; null for none. `mirrored` plays moves of the in backwards. */
export function compileColumn(
  uses: readonly MoveUse[],
  layer: ColumnLayer,
  timing: Timing,
  leaving: boolean,
  mirrored = false,
): CompiledColumn | null {
  if (uses.length === 0) return null;
  const seconds = leaving ? timing.outSeconds : timing.inSeconds;
  const { units, finest, largestFirst } = inUnits(uses, layer);
  // What is cut into the most slices is cut so for all that it does at once.
  const cuts = uses.reduce<readonly SliceCut[]>((most, use) => {
    const own = use.unit === finest ? cutsOf(use) : WHOLE;
    return own.length > most.length ? own : most;
  }, WHOLE);
  const slices = cuts.length;
  const cut = units.flatMap((unit) => cutUnit(unit, cuts));
  const movers = largestFirst.map(({ use, own, of }) => {
    const compiled = compileMove(
      mirrored ? mirrorMove(use, timing) : use,
      own,
      layer.around,
      seconds,
      leaving,
    );
    const move: CompiledMove = mirrored
      ? { ...compiled, windows: mirrorWindows(compiled.windows) }
      : compiled;
    return { use, move, own, of, cuts: use.unit === finest ? cutsOf(use) : WHOLE };
  });
  const aside = units.map((unit): PosedUnit => ({ unit, acts: [hiding(unit)], aside: true }));
  const plans = movers.flatMap(({ move }) => move.plans[0]?.[0] ?? []);
  const masks = plans.flatMap(({ plan }) => plan.mask ?? []);
  return {
    swaps: plans.some(({ plan }) => plan.swap !== undefined),
    counts: plans.some(({ parts }) => parts.some(({ property }) => property === 'counted')),
    window: masks.find((mask) => mask.kind === 'window')?.rect ?? null,
    times: uses.flatMap((use) => movers.find((one) => one.use === use)?.move.times ?? []),
    at(share, _lengthSeconds, frameShare = 0) {
      let moving = false;
      const posed = cut.map((unit, i): PosedUnit => {
        const acts: Act[] = [];
        const [whole, slice] = [Math.floor(i / slices), i % slices];
        let apart = slices === 1;
        for (let k = 0; k < movers.length; k++) {
          const { move, own, of, cuts: into } = movers[k];
          const now = move.ahead ? share + frameShare : share;
          const act = actAt(move, own[of[whole]], of[whole], slice, now);
          if (act === null) continue;
          acts.push(act);
          apart ||= into === cuts;
        }
        moving ||= acts.length > 0;
        if (apart) return { unit, acts };
        // Nothing moves its slices against one another: it is whole, in the place of the first of them.
        return slice === 0 ? { unit: units[whole], acts } : aside[whole];
      });
      return moving ? posed : null;
    },
  };
}

const hiding = (unit: LayerUnit): Act => ({
  unit,
  pose: { ...REST, opacity: 0 },
  plan: { parts: [] },
  pivot: 'centre',
});

const WHOLE: readonly SliceCut[] = [[0, 1]];
const cutsOf = (use: MoveUse): readonly SliceCut[] => MOVES.get(use.move).cuts ?? WHOLE;

/** A unit cut into slices. */
function cutUnit(unit: LayerUnit, cuts: readonly SliceCut[]): LayerUnit[] {
  if (cuts.length === 1) return [unit];
  const whole = unionRects([unit.box, unit.ink]) ?? unit.box;
  // The slices meet at shares of the box; the outermost reach as far as the ink does.
  const edge = (share: number): number => {
    if (share === 0) return whole.y;
    return share === 1 ? whole.y + whole.height : unit.box.y + unit.box.height * share;
  };
  return cuts.map(([from, to]) => ({
    ...unit,
    cut: { x: whole.x, y: edge(from), width: whole.width, height: edge(to) - edge(from) },
  }));
}

/** For each unit the larger one that it lies in. */
function holders(units: readonly LayerUnit[], own: readonly LayerUnit[]): number[] {
  return units.map(({ box }) => {
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const index = own.findIndex((one) => containsPoint(one.box, x, y));
    return index < 0 ? nearest(own, y) : index;
  });
}

function nearest(own: readonly LayerUnit[], y: number): number {
  const distance = ({ y: top, height }: Rect): number => Math.abs(top + height / 2 - y);
  return own.reduce((best, unit, i) => (distance(unit.box) < distance(own[best].box) ? i : best), 0);
}

// What goes on while a title holds swells up and dies down over this long, or half a shorter hold.
const SWELL_SECONDS = 0.6;

/** Makes the moves of the hold ready; null for none. */
export function compileHold(uses: readonly HoldUse[], layer: ColumnLayer): CompiledColumn | null {
  if (uses.length === 0) return null;
  const { units, largestFirst } = inUnits(uses, layer);
  const movers = largestFirst.map(({ use, own, of }) => {
    const move = HOLD_MOVES.get(use.move);
    const params = paramReader(move, use.params);
    const light = move.light?.(params);
    const still: MovePlan = { parts: [], ...(light !== undefined && { light }) };
    const { mirrored, frame } = layer.around;
    const plan = mirrored ? mirrorPlan(still, frame) : still;
    const asIs = unitPlaces(own, layer.around, use.seed);
    const places = mirrored ? asIs.map(mirrorUnitPlace) : asIs;
    const about = use.pivot ?? 'centre';
    const poseAt = (seconds: number, index: number): Partial<Pose> => {
      const pose = move.pose(seconds, places[index], params);
      return mirrored ? mirrorPose(pose) : pose;
    };
    return { own, plan, poseAt, pivot: mirrored ? mirrorPivot(about) : about, of };
  });
  return {
    counts: false,
    swaps: false,
    window: null,
    times: [],
    at(seconds, lengthSeconds) {
      const amount = swell(seconds, lengthSeconds);
      if (amount <= 0) return null;
      return units.map((unit, i) => ({
        unit,
        acts: movers.map(({ own, plan, poseAt, pivot, of }): Act => {
          const index = of[i];
          return { unit: own[index], pose: softened(poseAt(seconds, index), amount), plan, pivot };
        }),
      }));
    },
  };
}

/** From 0 at either end of a hold to 1 between, without a jerk. */
function swell(seconds: number, lengthSeconds: number): number {
  const ramp = Math.min(SWELL_SECONDS, lengthSeconds / 2);
  if (ramp <= 0 || seconds <= 0 || seconds >= lengthSeconds) return 0;
  const share = Math.min(1, seconds / ramp, (lengthSeconds - seconds) / ramp);
  return share * share * (3 - 2 * share);
}

/** A pose as far from rest as `amount` (0 to 1) says. */
function softened(change: Partial<Pose>, amount: number): Pose {
  const pose = restPose();
  for (const name in change) {
    const property = name as PoseProperty;
    const value = change[property] ?? REST[property];
    // A light that goes over the layer is there or not; where it is does not soften.
    const share = property === 'light' ? 1 : amount;
    pose[property] = REST[property] + (value - REST[property]) * share;
  }
  return pose;
}
