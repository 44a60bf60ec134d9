import { defineCheck } from '../check';
import type { Found } from '../finding';
import { sayTime } from '../finding';

// Shorter waits are not seen.
const LONGEST_WAIT_SECONDS = 1;

export const creditMotionCheck = defineCheck({
  kind: 'layout',
  of: 'titles',
  id: 'credit-motion',
  label: 'Motion of credits',
  about:
    'Finds rolls that do not go whole lines a frame (a field when interlaced), and those that are through too soon.',
  run({ shown, timing, delivery }): readonly Found[] {
    const plan = shown.compiled.credits?.rollAt(timing) ?? null;
    if (plan === null) return [];
    const { pxPerFrame, waitFrames } = plan.way;
    const steps = pxPerFrame / plan.stepPx;
    const found: Found[] = [];
    if (Math.abs(steps - Math.round(steps)) > 1e-6)
      found.push({
        tone: 'look',
        subject: 'judder',
        message: 'rolls by parts of a pixel',
        detail: `It goes ${pxPerFrame.toFixed(2)} px a frame, not whole lines a ${delivery.interlaced ? 'field' : 'frame'}: fine strokes flicker, and edges judder.`,
      });
    const seconds = waitFrames * timing.frameSeconds;
    if (seconds >= LONGEST_WAIT_SECONDS)
      found.push({
        tone: 'look',
        subject: 'wait',
        message: `is through ${seconds.toFixed(1)} s early`,
        detail: `No speed within the template’s limits fills its length; for the last ${sayTime(seconds)} nothing moves.`,
        frame: timing.totalFrames - waitFrames,
      });
    return found;
  },
});
