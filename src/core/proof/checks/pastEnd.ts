import { endOf, meet } from '../../project/lanes';
import { SHORTEST_FRAMES } from '../../time/rates';
import { defineCheck } from '../check';
import type { Found } from '../finding';

export const pastEndCheck = defineCheck({
  kind: 'title',
  id: 'end',
  label: 'Past the end',
  about: 'Finds titles that run beyond the last picture, or lie where there is none.',
  run({ clips, title }): readonly Found[] {
    const last = Math.max(0, ...clips.map(endOf));
    if (clips.length === 0) return [];
    const over = endOf(title) - last;
    const length = last - title.startFrame;
    if (over > 0 && length >= SHORTEST_FRAMES)
      return [
        {
          tone: 'stop',
          message: `past the end by ${over} f`,
          detail: `The pictures end ${over} frames before it does.`,
          mends: [
            { label: 'End with the pictures', change: { kind: 'title', set: { lengthFrames: length } } },
          ],
        },
      ];
    if (clips.some((clip) => meet(clip, title))) return [];
    return [
      { tone: 'stop', message: 'no picture under it', detail: 'It lies where the strip has no picture.' },
    ];
  },
});
