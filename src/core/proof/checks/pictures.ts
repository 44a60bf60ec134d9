import type { Clip, Title } from '../../model/project';
import { endOf, meet } from '../../project/lanes';
import { frameToTimecode } from '../../time/clock';
import type { FrameRate } from '../../time/rates';
import { frameToSeconds } from '../../time/rates';
import type { Check } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';

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
        'The title shows a picture that is not here and would go out without it. Choose another on the card.',
    }));
    for (const clip of clips) {
      if (!meet(clip, title)) continue;
      const frame = Math.max(0, clip.startFrame - title.startFrame);
      const about = { tone: 'unseen', frame } as const;
      const name = `The picture of “${clip.label || 'a clip'}” at ${frameToTimecode(clip.startFrame, clock)}`;
      const here = await eyes.has(clip.picture, firstSecond(clip, title, rate));
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

/** The time in its own picture at which a clip is first seen under a title. */
function firstSecond(clip: Clip, title: Title, rate: FrameRate): number {
  const under = Math.max(0, title.startFrame - clip.startFrame);
  return Math.floor(frameToSeconds(under + clip.sourceStartFrame, rate) / 0.2) * 0.2;
}

/** Whether a clip's picture has no frames any more while the title is over it. */
function endsUnder(clip: Clip, title: Title): boolean {
  if (clip.sourceLengthFrames === null) return false;
  const last = Math.min(endOf(title), endOf(clip)) - clip.startFrame + clip.sourceStartFrame;
  return last > clip.sourceLengthFrames;
}
