import type { Work } from '../project/work';
import { PLAIN_CAPTION_ID } from './plainCaption';

/** The edition that a title, or a cue by its track, is painted with; undefined for what is not there. */
export function editionIdOf({ titles, cues, plan }: Work, id: string): string | undefined {
  const title = titles.find((one) => one.id === id);
  if (title !== undefined) return title.editionId;
  const cue = cues.find((one) => one.id === id);
  const track = plan.captions?.find((one) => one.id === cue?.trackId);
  return track === undefined ? undefined : (track.editionId ?? PLAIN_CAPTION_ID);
}
