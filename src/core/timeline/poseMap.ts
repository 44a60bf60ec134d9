import { assertNever } from '../kit/assertNever';
import type { Homography } from '../display/homography';
import type { Point, Rect } from '../kit/rect';
import type { Pivot } from '../moves/move';
import type { Pose } from '../moves/pose';

const RADIANS = Math.PI / 180;

/** A unit's pivot in design units. */
export function pivotOf(box: Rect, pivot: Pivot, baselineU = box.y + box.height): Point {
  const { x, y, width, height } = box;
  switch (pivot) {
    case 'centre':
      return { x: x + width / 2, y: y + height / 2 };
    case 'baseline':
      return { x: x + width / 2, y: baselineU };
    case 'left':
      return { x, y: y + height / 2 };
    case 'right':
      return { x: x + width, y: y + height / 2 };
    case 'top':
      return { x: x + width / 2, y };
    case 'bottom':
      return { x: x + width / 2, y: y + height };
    case 'topLeft':
      return { x, y };
    case 'topRight':
      return { x: x + width, y };
    case 'bottomLeft':
      return { x, y: y + height };
    case 'bottomRight':
      return { x: x + width, y: y + height };
    default:
      return assertNever(pivot, 'pivot');
  }
}

export interface Eye {
  /** What is straight before the eye. */
  readonly centre: Point;
  readonly distanceU: number;
}

/**
 * The map of a pose about a pivot: scaled, leant, turned about the viewing, the level and the upright axis, moved,
 * and seen from the eye. Turns are clockwise as seen from the right, from above and from the viewer. What comes behind
 * the eye is cut off where it is projected.
 */
export function poseMap(pose: Pose, pivot: Point, eye: Eye): Homography {
  if (pose.turnX === 0 && pose.turnY === 0 && pose.turnZ === 0) return flatMap(pose, pivot);
  const [cosX, sinX] = [Math.cos(pose.turnX * RADIANS), Math.sin(pose.turnX * RADIANS)];
  const [cosY, sinY] = [Math.cos(pose.turnY * RADIANS), Math.sin(pose.turnY * RADIANS)];
  const [cosZ, sinZ] = [Math.cos(pose.turnZ * RADIANS), Math.sin(pose.turnZ * RADIANS)];
  /** Where a direction of the unit points in space; z towards the viewer. */
  const turned = (x: number, y: number): readonly [number, number, number] => {
    const zx = cosZ * x - sinZ * y;
    const zy = sinZ * x + cosZ * y;
    const xy = cosX * zy;
    const xz = sinX * zy;
    return [cosY * zx + sinY * xz, xy, -sinY * zx + cosY * xz];
  };
  const [ax, ay, az] = turned(pose.scaleX, 0);
  const [bx, by, bz] = turned(Math.tan(pose.skewX * RADIANS) * pose.scaleY, pose.scaleY);
  const far = eye.distanceU;
  const { x: cx, y: cy } = eye.centre;
  // For a point q from the pivot: the numerators of x and y, and w = 1 − z ÷ distance.
  const [ga, gb] = [-az / far, -bz / far];
  const rowX = [ax + cx * ga, bx + cx * gb, pivot.x + pose.xU];
  const rowY = [ay + cy * ga, by + cy * gb, pivot.y + pose.yU];
  const from = ([a, b, c]: readonly number[]): readonly number[] => [a, b, c - a * pivot.x - b * pivot.y];
  return [...from(rowX), ...from(rowY), ...from([ga, gb, 1])];
}

/** The map of a pose that is not turned: scaled, leant and moved. */
function flatMap({ scaleX, scaleY, skewX, xU, yU }: Pose, pivot: Point): Homography {
  const lean = skewX === 0 ? 0 : Math.tan(skewX * RADIANS) * scaleY;
  const x = pivot.x + xU - scaleX * pivot.x - lean * pivot.y;
  return [scaleX, lean, x, 0, scaleY, pivot.y + yU - scaleY * pivot.y, 0, 0, 1];
}
