import { SCENES } from '@/core/scenes';
import { SPEECH } from '../shared/sound/speech';

const VIDEO = 'video:';

/**
 * What a clip of a picture sounds like: the id of its video, or the talking stand-in where `speaks` says that stand-in
 * pictures are spoken over; null for silence.
 */
export function soundOfClip(picture: string, speaks: boolean): string | null {
  if (picture.startsWith(VIDEO)) return picture.slice(VIDEO.length);
  return speaks && SCENES.find(picture) !== undefined ? SPEECH : null;
}
