import type { Place } from '../model/template';
import type { Matrix } from '../kit/matrix';
import { translated } from '../kit/matrix';
import type { PlacedBox } from '../frame/points';
import { pointWithin } from '../frame/points';

/** The map that turns and scales a placed layer about its own point, in design units; null when it does neither. */
export function ownMatrix(place: Place, box: PlacedBox): Matrix | null {
  const { rotateDegrees, scaleX, scaleY } = place;
  if (rotateDegrees === 0 && scaleX === 1 && scaleY === 1) return null;
  const within = pointWithin(box, place.point);
  const about = { x: box.x + within.x, y: box.y + within.y };
  const angle = (rotateDegrees * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const turn: Matrix = [cos * scaleX, sin * scaleX, -sin * scaleY, cos * scaleY, about.x, about.y];
  return translated(turn, -about.x, -about.y);
}
