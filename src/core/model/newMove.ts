import { HOLD_MOVES } from '../holdMoves';
import { MOVES } from '../moves';
import { presetParams } from '../moves/move';
import type { HoldUse, Motion, MoveUse, UnitKind } from './template';

/** The use of a ready move on a whole layer, with the settings that its author gave it. */
export function newMoveUse(move: string, more: Partial<MoveUse> = {}): MoveUse {
  return {
    move,
    unit: 'layer',
    order: 'forward',
    seed: 1,
    ranks: [],
    overlap: 0.5,
    gapSeconds: null,
    waits: false,
    spread: 'even',
    pivot: null,
    ease: 'settle',
    startSeconds: 0,
    lengthSeconds: 0.6,
    ...more,
    params: { ...presetParams(MOVES.get(move)), ...more.params },
  };
}

/** The use of a hold move on a whole layer. */
export function newHoldUse(move: string, more: Partial<HoldUse> = {}): HoldUse {
  return {
    move,
    unit: 'layer',
    seed: 1,
    pivot: null,
    ...more,
    params: { ...presetParams(HOLD_MOVES.get(move)), ...more.params },
  };
}

/** How long a unit of a kind takes well, in seconds; null for a whole layer, which takes a move's whole length. */
export const UNIT_SECONDS: Readonly<Record<UnitKind, number | null>> = {
  layer: null,
  member: 0.6,
  paragraph: 0.6,
  row: 0.5,
  line: 0.6,
  word: 0.5,
  letter: 0.45,
};

const listed = (moves: MoveUse | readonly MoveUse[] | null): readonly MoveUse[] =>
  moves === null ? [] : 'move' in moves ? [moves] : moves;

/** A layer's motion from the moves of its in and its out; null for none. */
export function motionOf(
  arrive: MoveUse | readonly MoveUse[] | null,
  leave: MoveUse | readonly MoveUse[] | 'mirror' | null,
  more: Partial<Motion> = {},
): Motion {
  return {
    in: listed(arrive),
    hold: [],
    out: leave === 'mirror' ? leave : listed(leave),
    shutterDegrees: 0,
    perspectiveU: 1600,
    turnX: 0,
    turnY: 0,
    tracks: [],
    retime: null,
    ...more,
  };
}
