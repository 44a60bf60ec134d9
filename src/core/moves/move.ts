import type { HexColour } from '../display/list';
import type { Rect } from '../kit/rect';
import type { MovePart } from './part';

export type MoveParams = Readonly<Record<string, number | string | boolean>>;

/** A setting of a move, with what a form needs to show it. */
export type MoveParam =
  | {
      readonly id: string;
      readonly label: string;
      readonly control: 'number';
      readonly unit: 'u' | '°' | '%' | '×' | '';
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
  | { readonly id: string; readonly label: string; readonly control: 'switch'; readonly preset: boolean }
  | { readonly id: string; readonly label: string; readonly control: 'colour'; readonly preset: HexColour };

/** A number as a setting of a move. */
export function numberParam(
  id: string,
  label: string,
  [unit, min, max, preset]: readonly ['u' | '°' | '%' | '×' | '', number, number, number],
): MoveParam {
  return { id, label, control: 'number', unit, min, max, preset };
}

/** Where a unit is and which of its kind it is. Rectangles are in design units. */
export interface UnitPlace {
  readonly box: Rect;
  /** The line that it is on; its own box where there are no lines. */
  readonly line: Rect;
  readonly layer: Rect;
  readonly frame: Rect;
  /** The boxes of all units of the layer's last line, together. */
  readonly lastLine: Rect;
  readonly index: number;
  readonly count: number;
  /** The boxes of all units in reading order, its own among them. */
  readonly all: readonly Rect[];
  /** Numbers from 0 to 1 that are this unit's own, the same every time. */
  chance(which: number): number;
  /** Which slice of the unit it is, of `slices`. */
  readonly slice: number;
  readonly slices: number;
}

/** How far (u) a unit's middle is to the right of that of its line. */
export function fromLineCentre({ box, line }: UnitPlace): number {
  return box.x + box.width / 2 - (line.x + line.width / 2);
}

/** What hides a unit as far as `shown` says. */
export type MoveMask =
  /** Only what lies in the unit's own box at rest is seen, whatever `shown` is. */
  | { readonly kind: 'box' }
  /** A soft edge that passes over the unit's box; 0° shows from the left to the right, 90° downwards. */
  | { readonly kind: 'wipe'; readonly angleDegrees: number; readonly softU: number }
  /** A round opening that grows from the middle of the unit's box. */
  | { readonly kind: 'iris'; readonly softU: number }
  /** A window that stays while the title holds. */
  | { readonly kind: 'window'; readonly rect: Rect };

/** A block of colour that `block` takes over a unit's box, from the left to the right. */
export interface MoveBlock {
  /**
   * `sweep`: it grows over the whole box and leaves the unit behind it. `strip`: a narrow one uncovers the unit as it
   * goes. `caret`: a narrow one stands before the unit, then behind it.
   */
  readonly kind: 'sweep' | 'strip' | 'caret';
  readonly colour: HexColour;
  /** How wide a narrow one is. */
  readonly widthU: number;
  /** Goes from the right to the left instead. */
  readonly fromRight?: boolean;
}

/** Points that a unit can turn and grow about. */
export const PIVOTS = [
  'centre',
  'baseline',
  'left',
  'right',
  'top',
  'bottom',
  'topLeft',
  'topRight',
  'bottomLeft',
  'bottomRight',
] as const;
export type Pivot = (typeof PIVOTS)[number];

/** What one unit does. */
export interface MovePlan {
  readonly parts: readonly MovePart[];
  readonly pivot?: Pivot;
  readonly mask?: MoveMask;
  /** The colour that `tint` gives. */
  readonly colour?: HexColour;
  /** The band of light that `light` moves. */
  readonly light?: { readonly angleDegrees: number; readonly widthU: number; readonly colour: HexColour };
  /** What `block` moves. */
  readonly block?: MoveBlock;
  /**
   * How often `settled` changes the unit's shapes: to those of other units by chance (0 to 1), or with `inOrder` through
   * the figures or letters before its own; what has no such order keeps its own.
   */
  readonly swap?: {
    readonly changes: number;
    readonly chance: (which: number) => number;
    readonly inOrder?: boolean;
  };
  /** The colours of the fringes on the one and the other side. */
  readonly fringes?: readonly HexColour[];
  /** The line that `drawn` draws, in design units. */
  readonly lineU?: number;
}

/** Reads the settings of a move; one that is absent or of another type is as its author set it. */
export interface ParamReader {
  number(id: string): number;
  choice(id: string): string;
  flag(id: string): boolean;
}

/** From where to where down its height a slice of a unit reaches. */
export type SliceCut = readonly [from: number, to: number];

/** So many slices of equal height, one below the other. */
export const evenCuts = (count: number): readonly SliceCut[] =>
  Array.from({ length: count }, (_, i): SliceCut => [i / count, (i + 1) / count]);

/** How a move is best used: what a menu sets when it is picked. */
interface Suggestion {
  readonly unit?: 'letter' | 'word' | 'line';
  readonly order?: string;
  readonly overlap?: number;
  readonly ease?: string;
  /** How long each unit takes, where that is not what suits most. */
  readonly unitSeconds?: number;
}

/**
 * A ready way for a unit to arrive; backwards it is the way out. `plan` says what one unit does, as values over
 * its share of the time that end at rest.
 */
export interface Move {
  readonly id: string;
  readonly label: string;
  readonly params: readonly MoveParam[];
  readonly suits: Suggestion;
  /** Settings that suit it as a way out by itself, where those are others. */
  readonly leaves?: MoveParams;
  /** What it does nothing without: letters that it moves against their line, figures that it counts, outlines to draw. */
  readonly needs?: 'letters' | 'figures' | 'outlines';
  /**
   * The slices that each unit is cut into, from where to where down its height (0 to 1), those nearer the viewer later;
   * one whole when left out. They may lie over one another.
   */
  readonly cuts?: readonly SliceCut[];
  plan(unit: UnitPlace, params: ParamReader): MovePlan;
}

/** Declares a move. */
export function defineMove(move: Move): Move {
  return move;
}

/** The settings of a move as its author set them. */
export function presetParams(move: { readonly params: readonly MoveParam[] }): MoveParams {
  return Object.fromEntries(move.params.map((param) => [param.id, param.preset]));
}

/** Reads settings against what a move has. */
export function paramReader(
  move: { readonly params: readonly MoveParam[] },
  params: MoveParams,
): ParamReader {
  const presets = presetParams(move);
  return {
    number: (id) => (typeof params[id] === 'number' ? params[id] : Number(presets[id] ?? 0)),
    choice: (id) => (typeof params[id] === 'string' ? params[id] : String(presets[id] ?? '')),
    flag: (id) => (typeof params[id] === 'boolean' ? params[id] : presets[id] === true),
  };
}
