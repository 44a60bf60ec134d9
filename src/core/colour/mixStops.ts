import { converter, formatHex, modeLrgb, modeOklab, modeRgb, parse, useMode as addSpace } from 'culori/fn';
import type { GradientStop, HexColour } from '../display/list';
import { figureOf } from './houseColour';

addSpace(modeRgb);
addSpace(modeLrgb);
addSpace(modeOklab);
const toOklab = converter('oklab');

// Painters mix neighbouring stops in sRGB; this many between two keep within 1/255 of a mix in OKLab.
const BETWEEN = 7;

// Mixing is asked for again and again while something changes colour; finer steps than these are not seen.
const STEPS = 1024;
const MOST_KEPT = 8192;
const mixed = new Map<string, HexColour>();

/** A colour between two as a figure, mixed in OKLab; 0 is the first, 1 the second. Not opaque colours mix by their own opacity. */
export function mixColours(from: HexColour, to: HexColour, share: number): HexColour {
  const step = Math.round(share * STEPS);
  const key = `${from}${to}${step}`;
  const known = mixed.get(key);
  if (known !== undefined) return known;
  if (mixed.size >= MOST_KEPT) mixed.clear();
  const made = mixInOklab(from, to, step / STEPS);
  mixed.set(key, made);
  return made;
}

function mixInOklab(from: HexColour, to: HexColour, share: number): HexColour {
  const a = toOklab(parse(figureOf(from)));
  const b = toOklab(parse(figureOf(to)));
  if (a === undefined || b === undefined) return figureOf(from);
  const between = (x: number, y: number): number => x + (y - x) * share;
  return formatHex({ mode: 'oklab', l: between(a.l, b.l), a: between(a.a, b.a), b: between(a.b, b.b) });
}

/**
 * Gradient stops with more between them, so that a painter that mixes in sRGB shows a mix in OKLab. Colours count as
 * far as they are opaque: what fades into transparency keeps its colour, whatever colour nothing has there.
 */
export function mixStops(stops: readonly GradientStop[]): GradientStop[] {
  return stops.flatMap((stop, i) => {
    const before = stops[i - 1];
    const next = stops[i + 1];
    // A painter mixes colours without regard to how opaque they are, so what is not seen takes those beside it.
    const own = stop.opacity > 0 ? [stop] : beside(stop, before, next);
    if (next === undefined) return own;
    const between = Array.from({ length: BETWEEN }, (_, k): GradientStop => {
      const share = (k + 1) / (BETWEEN + 1);
      const opacity = stop.opacity + (next.opacity - stop.opacity) * share;
      const weight = opacity > 0 ? (next.opacity * share) / opacity : share;
      return {
        at: stop.at + (next.at - stop.at) * share,
        colour: mixColours(stop.colour, next.colour, weight),
        opacity,
      };
    });
    return [...own, ...between];
  });
}

/** A stop that is not seen, in the colours of its neighbours: twice where they differ. */
function beside(stop: GradientStop, before?: GradientStop, next?: GradientStop): GradientStop[] {
  const colours = new Set([before?.colour, next?.colour].filter((colour) => colour !== undefined));
  return colours.size === 0 ? [stop] : [...colours].map((colour) => ({ ...stop, colour }));
}
