import type { Clip, Title } from '../../model/project';
import { endOf, meet } from '../../project/lanes';
import { frameToTimecode } from '../../time/clock';
import type { Check } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { momentsUnder } from '../underTitle';

export const picturesCheck: Check = defineCheck({
  kind: 'layout',
  id: 'pictures',
  label: 'Missing pictures',
  about:
    'Finds titles over pictures that are not here or end too early, and titles that lack a picture of their own.',
  async run({ clips, title, rate, clock, eyes, missingPictures }) {
    const found: Found[] = missingPictures.map((asset) => ({
      tone: 'stop',
      subject: `own ${asset}`,
      message: 'a picture of it is missing',
      detail:
        'The title shows a picture or a video that is not here and would go out without it. Choose another on the card, or in its credits.',
    }));
    for (const clip of clips) {
      if (!meet(clip, title)) continue;
      const frame = Math.max(0, clip.startFrame - title.startFrame);
      const about = { tone: 'unseen', frame } as const;
      const name = `The picture of “${clip.label || 'a clip'}” at ${frameToTimecode(clip.startFrame, clock)}`;
      const from = Math.max(clip.startFrame, title.startFrame);
      const [{ picture, seconds }] = momentsUnder([clip], from, from + 1, rate);
      const here = await eyes.has(picture, seconds);
      if (!here)
        found.push({
          ...about,
          subject: clip.id,
          message: 'not looked at: no picture',
          detail: `${name} is not here, so contrast over it was not measured. Relink it on the strip.`,
        });
      else if (endsUnder(clip, title))
        found.push({
          ...about,
          subject: `end ${clip.id}`,
          message: 'not looked at: the picture ends',
          detail: `${name} has no frames for the end of what it shows here, so nothing could be measured there.`,
        });
    }
    return found;
  },
});

/** Whether a clip's picture has no frames any more while the title is over it. */
function endsUnder(clip: Clip, title: Title): boolean {
  if (clip.sourceLengthFrames === null) return false;
  const last = Math.min(endOf(title), endOf(clip)) - clip.startFrame + clip.sourceStartFrame;
  return last > clip.sourceLengthFrames;
}
