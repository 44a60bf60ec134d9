import { SpanIndex } from '../../project/spanIndex';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import type { SeenCue } from '../captionTracks';
import { captionTracks } from '../captionTracks';

export const captionPairsCheck = defineCheck({
  kind: 'project',
  of: 'captions',
  id: 'caption-pairs',
  label: 'Captions in other languages',
  about: 'Finds captions with words in one language that the other tracks have nothing for.',
  run(titles) {
    const found = new Map<string, Found[]>();
    const tracks = [...captionTracks(titles)];
    const indexes = tracks.map(
      ([, track]) => new SpanIndex(track.map(({ cue }) => cue).filter(({ words }) => words.trim() !== '')),
    );
    tracks.forEach(([, track], own) => {
      for (const { cue } of track) {
        if (cue.words.trim() === '' || cue.forced) continue;
        const missing = tracks.flatMap(([, other], i) =>
          i !== own && indexes[i].meeting(cue).length === 0 ? [languageOf(other)] : [],
        );
        if (missing.length > 0)
          found.set(cue.id, [
            {
              tone: 'look',
              message: `nothing in ${missing.join(', ')}`,
              detail: `While it is on screen there are no words in ${missing.join(' and ')}.`,
            },
          ]);
      }
    });
    return found;
  },
});

const languageOf = ([first]: readonly SeenCue[]): string =>
  first?.context.title.caption?.language ?? 'another language';
