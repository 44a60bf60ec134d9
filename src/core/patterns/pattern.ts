import type { HexColour } from '../display/list';
import type { Rect } from '../kit/rect';
import type { UnitShape } from '../display/unitShape';

/** What a pattern is drawn from; all of it is a function of these. */
interface PatternInput {
  readonly rect: Rect;
  readonly seconds: number;
  readonly seed: number;
  readonly colours: readonly HexColour[];
  /** How large its parts are; 1 as designed. */
  readonly grain: number;
}

/** A background drawn by code. */
export interface Pattern {
  readonly id: string;
  readonly label: string;
  /** Colours that it is first shown in, furthest back first. */
  readonly colours: readonly HexColour[];
  /** Whether it looks the same at any time. */
  readonly still: boolean;
  /** It changes so many times a second only, and begins again after `count` of those; left out where it moves evenly. */
  readonly steps?: { readonly perSecond: number; readonly count: number };
  draw(input: PatternInput): UnitShape[];
}

/** Declares a pattern. */
export function definePattern(pattern: Pattern): Pattern {
  return pattern;
}

/** The colour at a position of a list; the last one beyond its end. */
export function colourAt(colours: readonly HexColour[], index: number): HexColour {
  return colours[Math.min(index, colours.length - 1)] ?? '#000000';
}
