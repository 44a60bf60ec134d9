import type { HexColour } from '../display/list';
import type { MoveParam, ParamReader, UnitPlace } from '../moves/move';
import type { Pose } from '../moves/pose';

/** A movement that goes on while a title holds. It swells from rest and dies down to rest, so that the hold can be of any length. */
export interface HoldMove {
  readonly id: string;
  readonly label: string;
  readonly params: readonly MoveParam[];
  readonly suits: { readonly unit?: 'letter' | 'word' | 'line' };
  /** The band of light that `light` moves. */
  light?(params: ParamReader): {
    readonly angleDegrees: number;
    readonly widthU: number;
    readonly colour: HexColour;
  };
  /** The state of a unit `seconds` after the hold has begun; what is left out is at rest. */
  pose(seconds: number, unit: UnitPlace, params: ParamReader): Partial<Pose>;
}

/** Declares a hold move. */
export function defineHoldMove(move: HoldMove): HoldMove {
  return move;
}

/** A swing between -1 and 1 that begins at 0, `phase` turns late. */
export function swing(seconds: number, periodSeconds: number, phase = 0): number {
  return Math.sin(2 * Math.PI * (seconds / Math.max(0.05, periodSeconds) - phase));
}
