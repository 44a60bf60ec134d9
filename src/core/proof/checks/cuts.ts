import { cutFrames } from '../../project/clips';
import { endOf } from '../../project/lanes';
import { SHORTEST_FRAMES } from '../../time/rates';
import type { Check, TitleContext } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';

/** The cuts within the pictures: not the start of the first clip, nor the end of the last. */
function innerCuts({ clips }: TitleContext): number[] {
  return cutFrames(clips).slice(1, -1);
}

export const cutsCheck: Check = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'cuts',
  label: 'Cuts',
  about: 'Finds titles that hang over a cut by a few frames, or start a few frames after one.',
  run(context) {
    const { title, rules } = context;
    const end = endOf(title);
    const cuts = innerCuts(context);
    const over = cuts.find((cut) => cut > title.startFrame && cut < end && end - cut <= rules.overCutFrames);
    const early = cuts.find(
      (cut) => cut > title.startFrame && cut < end && cut - title.startFrame <= rules.overCutFrames,
    );
    const near = cuts.find((cut) => cut < title.startFrame && title.startFrame - cut <= rules.nearCutFrames);
    const found: Found[] = [];
    if (over !== undefined && over - title.startFrame >= SHORTEST_FRAMES)
      found.push({
        tone: 'look',
        subject: 'over',
        message: `over a cut by ${end - over} f`,
        detail: `It ends ${end - over} frames after the picture has cut.`,
        frame: over - title.startFrame,
        mends: [
          {
            label: 'End at the cut',
            change: { kind: 'title', set: { lengthFrames: over - title.startFrame } },
          },
          {
            label: 'End earlier, as long',
            change: { kind: 'title', set: { startFrame: Math.max(0, over - title.lengthFrames) } },
          },
        ],
      });
    if (early !== undefined)
      found.push({
        tone: 'look',
        subject: 'early',
        message: `starts ${early - title.startFrame} f before a cut`,
        detail: `It comes in ${early - title.startFrame} frames before the picture cuts.`,
        frame: 0,
        mends: [startAt('Start at the cut', early)],
      });
    if (near !== undefined)
      found.push({
        tone: 'look',
        subject: 'near',
        message: `starts ${title.startFrame - near} f after a cut`,
        detail: `It comes in ${title.startFrame - near} frames after a cut; give the picture at least ${rules.nearCutFrames + 1}.`,
        frame: 0,
        mends: [
          startAt('Start a little later', near + rules.nearCutFrames + 1),
          startAt('Start at the cut', near),
        ],
      });
    return found;
  },
});

function startAt(label: string, startFrame: number): NonNullable<Found['mends']>[number] {
  return { label, change: { kind: 'title', set: { startFrame } } };
}
