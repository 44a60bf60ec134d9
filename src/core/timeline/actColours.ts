import { mixColours } from '../colour/mixStops';
import { hexToOklch } from '../colour/oklch';
import type { DisplayItem, Paint } from '../display/list';
import { rectOutline } from '../display/shapes';
import { solid } from '../display/unitShape';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { growRect, unionRects } from '../kit/rect';
import { laidAtop } from './atop';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';

/** A light on its way over something: its colour, and how far (0 to 1) it has come. */
export interface PassingLight {
  readonly colour: string;
  readonly through: number;
}

/** A colour or a light that lies over what is painted of a unit. */
export interface Over {
  readonly paint: Paint;
  readonly opacity: number;
  readonly area: Rect;
}

/** The colours and lights of a unit's acts, for what is not made of shapes: pictures, and the members of a group. */
export function coloursOver({ box }: CompiledLayer, { unit: painted, acts }: PosedUnit): Over[] {
  const whole = unionRects([box, painted.box, painted.ink]) ?? box;
  return acts.flatMap(({ pose, plan }): Over[] => {
    const tint = Math.min(1, pose.tint);
    const colour: Over[] =
      tint > 0 && plan.colour !== undefined
        ? [{ paint: solid(plan.colour), opacity: tint, area: growRect(whole, OVER_U) }]
        : [];
    const isLit = pose.light > 0 && pose.light < 1 && plan.light !== undefined;
    return isLit && plan.light
      ? [
          ...colour,
          { paint: lightPaint(plan.light, pose.light, box), opacity: 1, area: growRect(whole, OVER_U) },
        ]
      : colour;
  });
}

// Outlines and shadows of members reach beyond their boxes.
const OVER_U = 200;

/** Items with colours and lights over them, as far as they are opaque. */
export function laidOver(items: DisplayItem[], colours: readonly Over[], matrix: Matrix): DisplayItem[] {
  return laidAtop(
    items,
    colours.map(({ paint, opacity, area }) => ({
      kind: 'fill',
      outline: rectOutline(area),
      paint,
      matrix,
      opacity,
    })),
  );
}

/** A paint mixed with a colour. */
export function tinted(paint: Paint, colour: string, share: number): Paint {
  if (paint.kind === 'solid') return solid(mixColours(paint.colour, colour, share));
  return {
    ...paint,
    stops: paint.stops.map((stop) => ({ ...stop, colour: mixColours(stop.colour, colour, share) })),
  };
}

/** A paint as dark as it has to be around a light for that to be seen on it. */
export function dimmedAround(paint: Paint, light: PassingLight): Paint {
  const share = dimmedBy(paint, light);
  return share < LEAST_DIMMED ? paint : tinted(paint, '#000000', share);
}

// What is as light as a light on it is darkened by so much around that, or it would not be seen.
const MOST_DIMMED = 0.4;
// Less than this is not seen in 8 bits.
const LEAST_DIMMED = 0.002;
// Lightness in OKLab from which on the two are told apart well.
const TOLD_APART = 0.25;

/** How much darker a paint is to be (0 to 1) while a light goes over it; not at its beginning and its end. */
function dimmedBy(paint: Paint, { colour, through }: PassingLight): number {
  const own = paint.kind === 'solid' ? [paint.colour] : paint.stops.map((stop) => stop.colour);
  const light = hexToOklch(colour).l;
  const alike = own.map((one) => 1 - Math.abs(hexToOklch(one).l - light) / TOLD_APART);
  return MOST_DIMMED * Math.max(0, ...alike) * Math.sin(Math.PI * through);
}

/** A band of light at a share of its way over a box. */
export function lightPaint(
  light: { readonly angleDegrees: number; readonly widthU: number; readonly colour: string },
  share: number,
  box: Rect,
): Paint {
  const lean = Math.tan((light.angleDegrees * Math.PI) / 180) * box.height;
  const reach = light.widthU / 2 + Math.abs(lean) / 2;
  const middle = box.x - reach + (box.width + 2 * reach) * share;
  const angle = (light.angleDegrees * Math.PI) / 180;
  const half = light.widthU / 2;
  const centreY = box.y + box.height / 2;
  const [dx, dy] = [Math.cos(angle) * half, Math.sin(angle) * half];
  const stop = (at: number, opacity: number): { at: number; colour: string; opacity: number } => ({
    at,
    colour: light.colour,
    opacity,
  });
  return {
    kind: 'linear',
    from: { x: middle - dx, y: centreY - dy },
    to: { x: middle + dx, y: centreY + dy },
    stops: [stop(0, 0), stop(0.35, 0.35), stop(0.5, 0.95), stop(0.65, 0.35), stop(1, 0)],
  };
}
