import type { GradientStop, HexColour, Paint } from '@/core/display/list';
import { assertNever } from '@/core/kit/assertNever';
import type { Channels } from './fineLayer';

/** The colour (not multiplied) and alpha of a paint at a point of its own coordinates, from 0 to 1. */
export type FineColour = (x: number, y: number) => Channels<number>;

/**
 * A paint with all its shades; with a tint only its opacity counts. Gradients mix colours and opacity apart, and go on
 * beyond their ends as they end (HTML canvas 2D, fill styles).
 */
export function fineColour(paint: Paint, tint?: HexColour): FineColour {
  if (paint.kind === 'solid') {
    const colour = channelsOf(tint ?? paint.colour, 1);
    return () => colour;
  }
  const mix = stopMix(paint.stops, tint);
  const along = alongGradient(paint);
  return (x, y) => mix(along(x, y));
}

/** How far along a gradient a point lies. */
function alongGradient(paint: Exclude<Paint, { kind: 'solid' }>): (x: number, y: number) => number {
  switch (paint.kind) {
    case 'linear': {
      const { from, to } = paint;
      const [dx, dy] = [to.x - from.x, to.y - from.y];
      const square = dx * dx + dy * dy || 1;
      return (x, y) => ((x - from.x) * dx + (y - from.y) * dy) / square;
    }
    case 'radial': {
      const { centre, radius } = paint;
      return (x, y) => Math.hypot(x - centre.x, y - centre.y) / (radius || 1);
    }
    case 'conic': {
      const { centre, startRadians } = paint;
      const turn = 2 * Math.PI;
      return (x, y) => {
        const angle = Math.atan2(y - centre.y, x - centre.x) - startRadians;
        return (((angle % turn) + turn) % turn) / turn;
      };
    }
    default:
      return assertNever(paint, 'paint');
  }
}

function stopMix(stops: readonly GradientStop[], tint?: HexColour): (at: number) => Channels<number> {
  const colours = stops.map((stop) => channelsOf(tint ?? stop.colour, stop.opacity));
  const last = stops.length - 1;
  return (at) => {
    if (last < 0) return [0, 0, 0, 0];
    const after = stops.findIndex((stop) => stop.at > at);
    if (after === 0) return colours[0];
    if (after < 0) return colours[last];
    const [from, to] = [stops[after - 1], stops[after]];
    const share = (at - from.at) / (to.at - from.at);
    const [a, b] = [colours[after - 1], colours[after]];
    const between = (i: number): number => a[i] + (b[i] - a[i]) * share;
    return [between(0), between(1), between(2), between(3)];
  };
}

function channelsOf(colour: HexColour, opacity: number): Channels<number> {
  const part = (from: number): number => Number.parseInt(colour.slice(from, from + 2), 16) / 255;
  return [part(1), part(3), part(5), opacity];
}
