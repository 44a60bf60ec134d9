import type { Place } from '../model/template';
import type { Matrix } from '../kit/matrix';
import { multiply, translated } from '../kit/matrix';
import type { PlacedBox } from '../frame/points';
import { pointWithin } from '../frame/points';

/**
 * The map that turns and scales a placed layer about its own point, in design units; null when it does neither. A negative
 * scale flips it first, about its middle, so that it stays where it is.
 */
export function ownMatrix(place: Place, box: PlacedBox): Matrix | null {
  const { rotateDegrees, scaleX, scaleY } = place;
  if (rotateDegrees === 0 && scaleX === 1 && scaleY === 1) return null;
  const within = pointWithin(box, place.point);
  const about = { x: box.x + within.x, y: box.y + within.y };
  const angle = (rotateDegrees * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const [across, down] = [Math.abs(scaleX), Math.abs(scaleY)];
  const turn: Matrix = [cos * across, sin * across, -sin * down, cos * down, about.x, about.y];
  const own = translated(turn, -about.x, -about.y);
  if (scaleX >= 0 && scaleY >= 0) return own;
  const flip: Matrix = [
    scaleX < 0 ? -1 : 1,
    0,
    0,
    scaleY < 0 ? -1 : 1,
    scaleX < 0 ? 2 * box.x + box.width : 0,
    scaleY < 0 ? 2 * box.y + box.height : 0,
  ];
  return multiply(own, flip);
}
