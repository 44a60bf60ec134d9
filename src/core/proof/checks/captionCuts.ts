import { cutFrames } from '../../project/clips';
import { endOf } from '../../project/lanes';
import { defineCheck } from '../check';
import type { Found } from '../finding';

export const captionCutsCheck = defineCheck({
  kind: 'title',
  of: 'captions',
  id: 'caption-cuts',
  label: 'Captions at cuts',
  about: 'Finds captions that start or end a few frames away from a cut.',
  run({ cue, captions: { cutFrames: near, gapFrames }, clips }) {
    if (cue === null || near === 0) return [];
    const cuts = cutFrames(clips).slice(1, -1);
    const found: Found[] = [];
    const [start, end] = [cue.startFrame, endOf(cue)];
    const atStart = nearest(cuts, start, near);
    if (atStart !== null && atStart !== start)
      found.push({
        tone: 'look',
        subject: 'in',
        message: `starts ${Math.abs(atStart - start)} f ${atStart > start ? 'before' : 'after'} a cut`,
        detail: `It should start at the cut, or at least ${near} frames away from it.`,
        mends:
          end - atStart < 1
            ? []
            : [
                {
                  label: 'Start at the cut',
                  change: { kind: 'cue', set: { startFrame: atStart, lengthFrames: end - atStart } },
                },
              ],
        frame: 0,
      });
    const atEnd = nearest(cuts, end, near);
    // It may go with the cut, or leave the gap before it.
    if (atEnd !== null && atEnd !== atStart && end !== atEnd && end !== atEnd - gapFrames)
      found.push({
        tone: 'look',
        subject: 'out',
        message: `ends ${Math.abs(atEnd - end)} f ${atEnd > end ? 'before' : 'after'} a cut`,
        detail: `It should end ${gapFrames} frames before the cut, or at least ${near} frames away from it.`,
        mends:
          atEnd - gapFrames - start < 1
            ? []
            : [
                {
                  label: 'End at the cut',
                  change: { kind: 'cue', set: { lengthFrames: atEnd - gapFrames - start } },
                },
              ],
        frame: cue.lengthFrames - 1,
      });
    return found;
  },
});

/** The cut nearest to a frame, nearer than a limit; null for none. */
function nearest(cuts: readonly number[], frame: number, limit: number): number | null {
  let best: number | null = null;
  for (const cut of cuts)
    if (Math.abs(cut - frame) < limit && (best === null || Math.abs(cut - frame) < Math.abs(best - frame)))
      best = cut;
  return best;
}
