import { containsRect } from '../../kit/rect';
import { pictureSize } from '../../layout/formats';
import type { Check, LayoutContext } from '../check';
import { defineCheck } from '../check';
import { FlashWatch } from '../flashes';

const WIDTH_PX = 64;
// Movements of the hold repeat themselves; this much of it is watched.
const HOLD_SECONDS = 3;
const LEAST_AREA = 0.25;

export const flashingCheck: Check = defineCheck({
  kind: 'layout',
  id: 'flash',
  wordless: true,
  label: 'Flashing',
  about: 'Counts flashes of more than a quarter of the picture while a title comes, holds and goes.',
  run(context) {
    if (!isLarge(context)) return [];
    const { title, rate, timing, rules } = context;
    const shown = context.showAt(WIDTH_PX);
    const { widthPx, heightPx } = shown.compiled.format;
    const watch = new FlashWatch(widthPx * heightPx);
    const holdEnd = timing.totalFrames - timing.outFrames;
    const heldFrames = movesWhileHolding(context) ? Math.round(HOLD_SECONDS * rate.nominal) : 1;
    for (let frame = 0; frame < timing.totalFrames; frame++) {
      if (frame > timing.inFrames + heldFrames && frame < holdEnd) continue;
      const { data } = context.eyes.paint(shown.frame(frame).items, {
        x: 0,
        y: 0,
        width: widthPx,
        height: heightPx,
      });
      watch.see((pixel) => {
        const alpha = data[pixel * 4 + 3] / 255;
        // Over a middling grey: what the picture under it does is not the title's.
        const mix = (channel: number): number => data[pixel * 4 + channel] * alpha + 118 * (1 - alpha);
        return [mix(0), mix(1), mix(2)];
      });
    }
    const flashes = watch.most(rate.numerator / rate.denominator);
    if (flashes <= rules.flashesPerSecond) return [];
    return [
      {
        tone: 'stop',
        message: `flashes ${flashes} times a second`,
        detail: `More than a quarter of the picture flashes ${flashes} times within a second; at most ${rules.flashesPerSecond} are safe to look at.`,
        frame: Math.min(title.lengthFrames - 1, Math.floor(timing.inFrames / 2)),
      },
    ];
  },
});

/** Whether its layers can cover a quarter of the picture at all. */
function isLarge({ shown }: LayoutContext): boolean {
  const { widthU, heightU } = pictureSize(shown.compiled.format);
  const frame = { x: 0, y: 0, width: widthU, height: heightU };
  let area = 0;
  for (const box of shown.compiled.boxes.values())
    area += containsRect(box, frame)
      ? widthU * heightU
      : Math.min(widthU, box.width) * Math.min(heightU, box.height);
  return area > LEAST_AREA * widthU * heightU;
}

function movesWhileHolding({ applied }: LayoutContext): boolean {
  return applied.layers.some(
    ({ kind, motion }) =>
      motion.hold.length > 0 ||
      motion.tracks.length > 0 ||
      kind === 'backdrop' ||
      kind === 'particles' ||
      kind === 'light',
  );
}
