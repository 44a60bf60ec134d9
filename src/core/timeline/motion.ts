import type { MoveUse, Timing } from '../document/template';
import { EASES } from '../eases';
import type { Ease } from '../eases/ease';
import type { Rect } from '../kit/rect';
import { MOVES } from '../moves';
import type { Move, MoveParams, Pose } from '../moves/move';
import { REST } from '../moves/move';
import { ORDERS } from './orders';
import type { Window } from './stagger';
import { unitWindows, windowProgress } from './stagger';

/** A move made ready for a given number of units; times are shares of its column (in or out). */
export interface CompiledMove {
  readonly move: Move;
  readonly ease: Ease;
  readonly params: MoveParams;
  readonly windows: readonly Window[];
  readonly startShare: number;
  readonly lengthShare: number;
  /** Played backwards: the unit is at rest at the start and gone at the end. */
  readonly leaving: boolean;
}

/** Makes a move ready. Throws for an unknown move, ease or order: documents are checked before. */
export function compileMove(
  use: MoveUse,
  unitCount: number,
  columnSeconds: number,
  leaving: boolean,
): CompiledMove {
  const column = Math.max(columnSeconds, 1e-9);
  return {
    move: MOVES.get(use.move),
    ease: EASES.get(use.ease),
    params: use.params,
    windows: unitWindows(unitCount, ORDERS.get(use.order), use.overlap),
    startShare: Math.min(1, use.startSeconds / column),
    lengthShare: Math.min(1, use.lengthSeconds / column),
    leaving,
  };
}

/** The in move turned round in time: what was first to come is the last to go. */
export function mirrorMove(use: MoveUse, timing: Timing): MoveUse {
  const scale = timing.inSeconds > 0 ? timing.outSeconds / timing.inSeconds : 0;
  const end = use.startSeconds + use.lengthSeconds;
  return {
    ...use,
    startSeconds: Math.max(0, (timing.inSeconds - end) * scale),
    lengthSeconds: use.lengthSeconds * scale,
  };
}

/** Windows turned round, so that playing them backwards mirrors the way in exactly. */
export function mirrorWindows(windows: readonly Window[]): Window[] {
  return windows.map(({ start, length }) => ({ start: Math.max(0, 1 - start - length), length }));
}

/** The pose of one unit at a share (0 to 1) of the move's column. */
export function poseAt(compiled: CompiledMove, unit: number, columnShare: number, box: Rect): Pose {
  const { startShare, lengthShare, leaving } = compiled;
  const whole =
    lengthShare > 0 ? (columnShare - startShare) / lengthShare : columnShare >= startShare ? 1 : 0;
  const through = windowProgress(compiled.windows[unit], Math.max(0, Math.min(1, whole)));
  const progress = leaving ? 1 - through : through;
  return progress >= 1 ? REST : compiled.move.pose(compiled.ease.at(progress), box, compiled.params);
}
