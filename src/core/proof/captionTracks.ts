import type { Cue } from '../model/captions';
import type { SeenTitle, TitleContext } from './check';

/** A cue of a track as checks of several see it. */
export interface SeenCue {
  readonly cue: Cue;
  readonly context: TitleContext;
}

/** The captions of a project by track, each in the order of their starts. */
export function captionTracks(titles: readonly SeenTitle[]): ReadonlyMap<string, readonly SeenCue[]> {
  const tracks = new Map<string, SeenCue[]>();
  for (const { context } of titles) {
    const { cue } = context;
    if (cue === null) continue;
    const track = tracks.get(cue.trackId);
    if (track === undefined) tracks.set(cue.trackId, [{ cue, context }]);
    else track.push({ cue, context });
  }
  return tracks;
}
