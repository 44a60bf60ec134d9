import bezier from 'bezier-easing';
import type { Keyframe } from '../model/template';

const curves = new WeakMap<Keyframe['curve'], (share: number) => number>();

/** A cubic Bézier from (0, 0) to (1, 1); its two handles keep their times within those of its ends. */
export function curveOf(curve: Keyframe['curve']): (share: number) => number {
  const known = curves.get(curve);
  if (known !== undefined) return known;
  const within = (time: number): number => Math.max(0, Math.min(1, time));
  const made = bezier(within(curve[0]), curve[1], within(curve[2]), curve[3]);
  curves.set(curve, made);
  return made;
}
