import { videoId } from '@/core/display/moving';
import { SCENES } from '@/core/scenes';
import { SPEECH } from '../shared/sound/speech';

/**
 * What a clip of a picture sounds like: the id of its video, or the talking stand-in where `speaks` says that stand-in
 * pictures are spoken over; null for silence.
 */
export function soundOfClip(picture: string, speaks: boolean): string | null {
  const video = videoId(picture);
  if (video !== null) return video;
  return speaks && SCENES.find(picture) !== undefined ? SPEECH : null;
}
