import type { MoveUse, Timing } from '../model/template';
import { seededShare } from '../kit/seeded';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import { MOVES } from '../moves';
import { mirrorPivot, mirrorPlan, mirrorUnitPlace } from '../mirror/mirrorPlan';
import type { Move, MovePlan, ParamReader, Pivot, UnitPlace } from '../moves/move';
import { paramReader } from '../moves/move';
import { compilePart } from '../moves/part';
import type { Pose, PoseProperty } from '../moves/pose';
import { restPose } from '../moves/pose';
import { ORDERS } from '../orders';
import type { TitleTiming } from '../titleTime/stretch';
import type { MoveTimes, Window } from './stagger';
import { markWindows, moveTimes, windowProgress, windowsOfUse } from './stagger';

/** What one move does to one unit at a moment. */
export interface Act {
  /** The unit that it moves. */
  readonly unit: LayerUnit;
  readonly pose: Pose;
  readonly plan: MovePlan;
  readonly pivot: Pivot;
}

/** The plan of an act that only takes its unit elsewhere, as credits go by. */
export const GOES_BY: MovePlan = { parts: [] };

/** The layer and the frame that units lie in, in design units. */
export interface Surroundings {
  readonly layer: Rect;
  readonly frame: Rect;
  readonly lastLine: Rect;
  /** The moments that units can wait for, in seconds from the start. */
  readonly marks: readonly number[];
  /** Whether moves come from the other side, left for right. */
  readonly mirrored: boolean;
}

/** What one unit does, with its parts made ready. */
interface CompiledPlan {
  readonly plan: MovePlan;
  readonly pivot: Pivot;
  readonly parts: readonly { readonly property: PoseProperty; readonly at: (share: number) => number }[];
}

/** A move made ready for given units; times are shares of its column (in or out). */
export interface CompiledMove {
  /** For each unit the plans of its slices. */
  readonly plans: readonly (readonly CompiledPlan[])[];
  readonly windows: readonly Window[];
  /** What its windows come to in the design. */
  readonly times: MoveTimes;
  readonly startShare: number;
  readonly lengthShare: number;
  /** Played backwards: the unit is at rest at the start and gone at the end. */
  readonly leaving: boolean;
  /** A frame ahead, so that its first one shows something; what leaves shows something in its last one anyway. */
  readonly ahead: boolean;
}

/** Makes a move ready. Throws for an unknown move, ease or order: documents are checked before. */
export function compileMove(
  use: MoveUse,
  units: readonly LayerUnit[],
  around: Surroundings,
  columnSeconds: number,
  leaving: boolean,
): CompiledMove {
  const column = Math.max(columnSeconds, 1e-9);
  const move = MOVES.get(use.move);
  const params = paramReader(move, use.params);
  const slices = move.cuts?.length ?? 1;
  const lengthSeconds = Math.max(use.lengthSeconds, 1e-9);
  const ranks = ORDERS.get(use.order).ranks({
    count: units.length,
    seed: use.seed,
    sizes: units.map(({ box }) => box.width * box.height),
    ranks: use.ranks,
    lines: linesOf(units),
  });
  const windows = use.waits
    ? markWindows(ranks, around.marks, use.startSeconds, lengthSeconds, use.unitSeconds ?? undefined)
    : windowsOfUse(use, ranks);
  return {
    plans: unitPlaces(units, around, use.seed).map((place) =>
      Array.from({ length: slices }, (_, slice) =>
        compilePlan(plannedFor(move, { ...place, slice, slices }, params, around), use, around.mirrored),
      ),
    ),
    windows,
    times: moveTimes(use, windows, ranks),
    startShare: Math.min(1, use.startSeconds / column),
    lengthShare: Math.min(1, use.lengthSeconds / column),
    leaving,
    ahead: !leaving && use.seenAtOnce === true,
  };
}

/** How far ahead of its time a move is in a title: a frame, where its first one is to show something. */
export function aheadSeconds({ ahead }: CompiledMove, { totalSeconds, totalFrames }: TitleTiming): number {
  return ahead ? totalSeconds / totalFrames : 0;
}

/** The line that each unit is on; what has no lines, such as the members of a group, is on the row that it lies in. */
function linesOf(units: readonly LayerUnit[]): number[] {
  if (units.every(({ line }) => line !== undefined)) return units.map(({ line = 0 }) => line);
  const middle = ({ box }: LayerUnit): number => box.y + box.height / 2;
  const rows: LayerUnit[][] = [];
  for (const unit of units.toSorted((a, b) => middle(a) - middle(b))) {
    const row = rows[rows.length - 1];
    const isIn = row !== undefined && middle(unit) < row[0].box.y + row[0].box.height;
    if (isIn) row.push(unit);
    else rows.push([unit]);
  }
  return units.map((unit) => rows.findIndex((row) => row.includes(unit)));
}

/** What a move plans for a unit; from the other side it plans for the unit that a mirror shows. */
function plannedFor(
  move: Move,
  place: UnitPlace,
  params: ParamReader,
  { mirrored, frame }: Surroundings,
): MovePlan {
  return mirrored ? mirrorPlan(move.plan(mirrorUnitPlace(place), params), frame) : move.plan(place, params);
}

function compilePlan(plan: MovePlan, { ease, pivot }: MoveUse, mirrored: boolean): CompiledPlan {
  const own = pivot !== null && mirrored ? mirrorPivot(pivot) : pivot;
  return {
    plan,
    pivot: own ?? plan.pivot ?? 'centre',
    parts: plan.parts.map((part) => ({ property: part.property, at: compilePart(part, ease) })),
  };
}

/** Where each unit is among its kind. */
export function unitPlaces(units: readonly LayerUnit[], around: Surroundings, seed: number): UnitPlace[] {
  const byLine = new Map<number, Rect[]>();
  for (const { box, line } of units) {
    if (line === undefined) continue;
    const known = byLine.get(line);
    if (known === undefined) byLine.set(line, [box]);
    else known.push(box);
  }
  const lines = new Map([...byLine].map(([line, boxes]) => [line, unionRects(boxes)]));
  const all = units.map(({ box }) => box);
  return units.map(({ box, line = -1 }, index) => ({
    ...around,
    box,
    line: lines.get(line) ?? box,
    index,
    count: units.length,
    all,
    slice: 0,
    slices: 1,
    chance: (which) => seededShare(seed + index * 7919, which),
  }));
}

/** The in move turned round in time: what was first to come is the last to go. */
export function mirrorMove(use: MoveUse, timing: Timing): MoveUse {
  const scale = timing.inSeconds > 0 ? timing.outSeconds / timing.inSeconds : 0;
  const end = use.startSeconds + use.lengthSeconds;
  return {
    ...use,
    startSeconds: Math.max(0, (timing.inSeconds - end) * scale),
    lengthSeconds: use.lengthSeconds * scale,
    gapSeconds: use.gapSeconds === null ? null : use.gapSeconds * scale,
    ...(use.unitSeconds != null && { unitSeconds: use.unitSeconds * scale }),
    // What came with the marks leaves together in the usual way.
    waits: false,
  };
}

/** Windows turned round, so that playing them backwards mirrors the way in exactly. */
export function mirrorWindows(windows: readonly Window[]): Window[] {
  return windows.map(({ start, length }) => ({ start: Math.max(0, 1 - start - length), length }));
}

/** What a move does to one of its units, or to a slice of it, at a share (0 to 1) of its column; null when that is at rest. */
export function actAt(
  compiled: CompiledMove,
  unit: LayerUnit,
  index: number,
  slice: number,
  columnShare: number,
): Act | null {
  const { startShare, lengthShare } = compiled;
  const whole =
    lengthShare > 0 ? (columnShare - startShare) / lengthShare : columnShare >= startShare ? 1 : 0;
  const through = windowProgress(compiled.windows[index], Math.max(0, Math.min(1, whole)));
  return actThrough(compiled, unit, index, slice, through);
}

/** What a move does to one of its units when that is so far (0 to 1) through its own part of it; null at rest. */
export function actThrough(
  compiled: CompiledMove,
  unit: LayerUnit,
  index: number,
  slice: number,
  through: number,
): Act | null {
  const progress = compiled.leaving ? 1 - through : through;
  if (progress >= 1) return null;
  const plans = compiled.plans[index];
  const { plan, pivot, parts } = plans[slice % plans.length];
  const pose = restPose();
  for (let i = 0; i < parts.length; i++) pose[parts[i].property] = parts[i].at(progress);
  return { unit, pose, plan, pivot };
}
