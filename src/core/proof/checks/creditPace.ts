import { lineFrames, rollLength } from '../../credits/rollWays';
import { readingSeconds } from '../../text/readingTime';
import { frameToSeconds } from '../../time/rates';
import type { RollPlan } from '../../timeline/roll';
import type { LayoutContext } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { sayTime } from '../finding';

export const creditPaceCheck = defineCheck({
  kind: 'layout',
  of: 'titles',
  id: 'credit-pace',
  label: 'Pace of credits',
  about: 'Finds credits whose lines go by too fast, or whose cards stand too short, to be read.',
  run(context): readonly Found[] {
    const plan = context.shown.compiled.credits?.rollAt(context.timing) ?? null;
    return plan === null ? cards(context) : roll(plan, context);
  },
});

// A tenth of a second is as fine as it is told.
const TOLD_SECONDS = 0.05;

function roll(plan: RollPlan, { credits, rate, title }: LayoutContext): Found[] {
  const { designed, measure, way, frames } = plan;
  const frameSeconds = frameToSeconds(1, rate);
  const seen = frameSeconds * lineFrames(designed, way);
  if (seen + TOLD_SECONDS >= credits.lineSeconds) return [];
  const fastest = (lineFrames(designed, { ...way, pxPerFrame: 1 }) * frameSeconds) / credits.lineSeconds;
  const needed = Math.ceil(rollLength(measure, measure.gapsPx) / Math.max(1, Math.floor(fastest)));
  return [
    {
      tone: 'stop',
      message: `a line is seen for ${seen.toFixed(1)} s`,
      detail: `It goes ${Number(way.pxPerFrame.toFixed(2))} px a frame, so that each line is seen for ${sayTime(seen)}; at least ${sayTime(credits.lineSeconds)} are wanted.`,
      mends: [
        {
          label: 'Lengthen',
          change: { kind: 'title', set: { lengthFrames: title.lengthFrames - frames + needed } },
        },
      ],
    },
  ];
}

function cards({ shown, timing, reading, title }: LayoutContext): Found[] {
  const all = shown.compiled.credits?.cardsAt(timing) ?? [];
  const short = all.flatMap((card, i) => {
    const reads = readingSeconds(card.reads, reading);
    const stands = card.to - card.from;
    const frame = Math.round(card.from / timing.frameSeconds);
    return reads > stands + TOLD_SECONDS ? [{ i, reads, stands, frame }] : [];
  });
  const [worst] = short.toSorted((a, b) => b.reads / b.stands - a.reads / a.stands);
  if (worst === undefined) return [];
  const lengthFrames = Math.ceil((title.lengthFrames * worst.reads) / worst.stands);
  return [
    {
      tone: 'stop',
      message: short.length === 1 ? 'a card stands too short' : `${short.length} cards stand too short`,
      detail: `Card ${worst.i + 1} of ${all.length} takes ${sayTime(worst.reads)} to read and stands for ${sayTime(worst.stands)}.`,
      frame: worst.frame,
      mends: [{ label: 'Lengthen', change: { kind: 'title', set: { lengthFrames } } }],
    },
  ];
}
