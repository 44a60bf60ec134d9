import type { Rect } from '../kit/rect';

export type MoveParams = Readonly<Record<string, number | string | boolean>>;

/** Where a unit is on its way, measured against its place at rest. */
export interface Pose {
  readonly dxU: number;
  readonly dyU: number;
  /** 0 to 1. */
  readonly opacity: number;
  /** Whether only what lies in the unit's own line box is seen. */
  readonly masked: boolean;
}

export const REST: Pose = { dxU: 0, dyU: 0, opacity: 1, masked: false };

/** A setting of a move, with what a form needs to show it. */
export type MoveParam =
  | {
      readonly id: string;
      readonly label: string;
      readonly control: 'number';
      readonly unit: 'u' | '°';
      readonly min: number;
      readonly max: number;
      readonly preset: number;
    }
  | {
      readonly id: string;
      readonly label: string;
      readonly control: 'choice';
      readonly choices: readonly { readonly value: string; readonly label: string }[];
      readonly preset: string;
    }
  | { readonly id: string; readonly label: string; readonly control: 'switch'; readonly preset: boolean };

/**
 * A ready way for a unit to arrive. `pose(progress, box, params)` gives its state at an eased progress
 * (1 is rest, 0 not yet there) for a unit whose line box is `box`; backwards it is the way out.
 */
export interface Move {
  readonly id: string;
  readonly label: string;
  readonly params: readonly MoveParam[];
  pose(progress: number, box: Rect, params: MoveParams): Pose;
}

/** Declares a move. */
export function defineMove(move: Move): Move {
  return move;
}

/** The settings of a move as its author set them. */
export function presetParams(move: Move): MoveParams {
  return Object.fromEntries(move.params.map((param) => [param.id, param.preset]));
}

/** A numeric setting, or its preset when it is absent or of another type. */
export function numberParam(params: MoveParams, id: string, preset: number): number {
  const value = params[id];
  return typeof value === 'number' ? value : preset;
}
