import type { Paint } from '../display/list';
import type { Rect } from '../kit/rect';
import type { MoveMask } from '../moves/move';

/** The paint of a mask over a rectangle: opaque where `shown` (0 to 1) lets the unit be seen. */
export function maskPaint(
  mask: Extract<MoveMask, { kind: 'wipe' | 'iris' }>,
  shown: number,
  area: Rect,
): Paint {
  const centre = { x: area.x + area.width / 2, y: area.y + area.height / 2 };
  if (mask.kind === 'iris') {
    const reach = Math.hypot(area.width, area.height) / 2 + mask.softU;
    const radius = Math.max(0.01, reach * shown);
    return { kind: 'radial', centre, radius, stops: edge(1 - Math.min(1, mask.softU / radius), 1) };
  }
  const angle = (mask.angleDegrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const reach = (Math.abs(cos) * area.width + Math.abs(sin) * area.height) / 2;
  const soft = Math.max(0.02, mask.softU);
  // At 0 the whole soft edge lies before the area, at 1 behind it.
  const front = -reach + (2 * reach + soft) * shown;
  const at = (distance: number): { x: number; y: number } => ({
    x: centre.x + cos * distance,
    y: centre.y + sin * distance,
  });
  return { kind: 'linear', from: at(front - soft), to: at(front), stops: edge(0, 1) };
}

/** From opaque to clear between two shares, without a visible corner at either end. */
function edge(from: number, to: number): Extract<Paint, { kind: 'linear' }>['stops'] {
  const share = (at: number): number => from + (to - from) * at;
  return [0, 0.25, 0.5, 0.75, 1].map((at) => ({
    at: share(at),
    colour: '#000000',
    opacity: 1 - at * at * (3 - 2 * at),
  }));
}
