import { clampChroma, converter, formatHex, modeOklch, modeRgb, parse, useMode as addSpace } from 'culori/fn';
import type { HexColour } from '../display/list';

addSpace(modeRgb);
addSpace(modeOklch);
const convert = converter('oklch');
const toRgb = converter('rgb');
// A colour that a screen shows is off by this much at the most when it comes back; lowering its chroma would be more.
const ROUNDING = 1e-3;

/** A colour as lightness (0 to 1), chroma (0 to about 0.4) and hue (degrees). */
export interface Oklch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
}

/** A colour in OKLCH; hue 0 where a grey has none. */
export function hexToOklch(colour: HexColour): Oklch {
  const found = convert(parse(colour));
  return { l: found?.l ?? 0, c: found?.c ?? 0, h: found?.h ?? 0 };
}

/** The nearest colour that a screen can show: chroma is lowered until it can. */
export function oklchToHex({ l, c, h }: Oklch): HexColour {
  const wanted = { mode: 'oklch', l, c, h } as const;
  const { r, g, b } = toRgb(wanted);
  const shows = [r, g, b].every((part) => part > -ROUNDING && part < 1 + ROUNDING);
  return formatHex(shows ? wanted : clampChroma(wanted, 'oklch'));
}
