import { mixStops } from '../colour/mixStops';
import type { Look } from '../model/look';
import type { HexColour, Paint } from '../display/list';
import { assertNever } from '../kit/assertNever';
import type { Rect } from '../kit/rect';
import { solid } from '../display/unitShape';

/**
 * What fills a layer's shapes: its gradient across the given rectangle, else its plain colour. A linear gradient
 * reaches from corner to corner of the rectangle for its angle (as in CSS Images 3), a radial one from the middle
 * to the corners.
 */
export function paintOf(look: Look, fill: HexColour, rect: Rect): Paint {
  const { gradient } = look;
  if (gradient === null) return solid(fill);
  const stops = mixStops(gradient.stops);
  const centre = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
  const angle = (gradient.angleDegrees * Math.PI) / 180;
  switch (gradient.shape) {
    case 'linear': {
      const cos = Math.cos(angle);
      const sin = Math.sin(angle);
      const half = (Math.abs(cos) * rect.width + Math.abs(sin) * rect.height) / 2;
      const from = { x: centre.x - cos * half, y: centre.y - sin * half };
      return { kind: 'linear', from, to: { x: centre.x + cos * half, y: centre.y + sin * half }, stops };
    }
    case 'radial':
      return { kind: 'radial', centre, radius: Math.hypot(rect.width, rect.height) / 2, stops };
    case 'conic':
      return { kind: 'conic', centre, startRadians: angle, stops };
    default:
      return assertNever(gradient.shape, 'gradient');
  }
}
