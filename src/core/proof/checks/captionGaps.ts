import { endOf } from '../../project/lanes';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import type { SeenCue } from '../captionTracks';
import { captionTracks } from '../captionTracks';

export const captionGapsCheck = defineCheck({
  kind: 'project',
  of: 'captions',
  id: 'caption-gaps',
  label: 'Order of captions',
  about: 'Finds captions that overlap, follow one another too closely, or whose time nobody has set.',
  run(titles) {
    const found = new Map<string, Found[]>();
    const tell = (id: string, one: Found): void => void found.set(id, [...(found.get(id) ?? []), one]);
    for (const track of captionTracks(titles).values())
      track.forEach((one, i) => {
        if (one.cue.guessed) tell(one.cue.id, WAITS);
        const next = track[i + 1];
        const close = next === undefined ? null : closeness(one, next);
        if (close !== null) tell(one.cue.id, close);
      });
    return found;
  },
});

const WAITS: Found = {
  tone: 'stop',
  subject: 'waits',
  message: 'waits for its time',
  detail:
    'Its time was made of the reading speed; tap it in while the programme plays, or set its in and out.',
  mends: [{ label: 'Its time is right', change: { kind: 'cue', set: { guessed: false } } }],
};

function closeness({ cue, context }: SeenCue, { cue: next }: SeenCue): Found | null {
  const { gapFrames } = context.captions;
  const gap = next.startFrame - endOf(cue);
  if (gap >= gapFrames) return null;
  const lengthFrames = next.startFrame - gapFrames - cue.startFrame;
  const mends =
    lengthFrames < 1
      ? []
      : [{ label: 'End earlier', change: { kind: 'cue' as const, set: { lengthFrames } } }];
  return gap < 0
    ? {
        tone: 'stop',
        subject: 'over',
        message: `over the next by ${-gap} f`,
        detail: `The next caption comes ${-gap} frames before this one has gone.`,
        mends,
        frame: Math.max(0, next.startFrame - cue.startFrame),
      }
    : {
        tone: 'look',
        subject: 'close',
        message: `${gap} f before the next`,
        detail: `Without ${gapFrames} frames between them the eye does not notice that the words have changed.`,
        mends,
      };
}
