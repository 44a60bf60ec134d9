import { charactersPerSecond, cueCharacters, framesFor } from '../../captions/timeCues';
import { endOf } from '../../project/lanes';
import { frameToSeconds, secondsToNearestFrames } from '../../time/rates';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { sayTime } from '../finding';
import type { SeenCue } from '../captionTracks';
import { captionTracks } from '../captionTracks';

export const captionPaceCheck = defineCheck({
  kind: 'project',
  of: 'captions',
  id: 'caption-pace',
  label: 'Pace of captions',
  about: 'Finds captions that go by faster than they can be read, or are too short or too long.',
  run(titles) {
    const found = new Map<string, Found[]>();
    for (const track of captionTracks(titles).values())
      track.forEach((one, i) => {
        const list = paceOf(one, track[i + 1]);
        if (list.length > 0) found.set(one.cue.id, list);
      });
    return found;
  },
});

function paceOf({ cue, context }: SeenCue, next: SeenCue | undefined): Found[] {
  const { captions: rules, rate } = context;
  const characters = cueCharacters(cue.words);
  if (characters === 0) return [];
  const pace = charactersPerSecond(cue, rate);
  const seconds = frameToSeconds(cue.lengthFrames, rate);
  const room = next === undefined ? Infinity : next.cue.startFrame - rules.gapFrames - cue.startFrame;
  const wanted = framesFor(characters, rules, rate);
  const mends =
    wanted > cue.lengthFrames && wanted <= room
      ? [{ label: 'Lengthen', change: { kind: 'cue' as const, set: { lengthFrames: wanted } } }]
      : [];
  const found: Found[] = [];
  // A tenth is as fine as it is told.
  if (pace > rules.charactersPerSecond + 0.05)
    found.push({
      tone: 'stop',
      subject: 'fast',
      message: `too fast, ${pace.toFixed(1)} a second`,
      detail: `${characters} characters in ${sayTime(seconds)}; at most ${rules.charactersPerSecond} a second can be read.`,
      mends,
    });
  if (seconds + 1e-9 < rules.shortestSeconds)
    found.push({
      tone: 'look',
      subject: 'short',
      message: `lasts ${sayTime(seconds)}`,
      detail: `It is gone before it is noticed; captions last at least ${sayTime(rules.shortestSeconds)}.`,
      mends: found.length > 0 ? [] : mends,
    });
  const longest = secondsToNearestFrames(rules.longestSeconds, rate);
  if (cue.lengthFrames > longest)
    found.push({
      tone: 'look',
      subject: 'long',
      message: `lasts ${sayTime(seconds)}`,
      detail: `It stands so long that it is read again; captions last at most ${sayTime(rules.longestSeconds)}.`,
      mends: [{ label: 'Shorten', change: { kind: 'cue', set: { lengthFrames: longest } } }],
      frame: Math.min(endOf(cue) - 1 - cue.startFrame, longest),
    });
  return found;
}
