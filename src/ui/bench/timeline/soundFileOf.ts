import { SPEECH } from '../../shared/sound/speech';
import type { TemplateSound } from '@/core/model/template';

const OF_MEDIA = 'media:';

/** What a template's sound is fetched by: the id of its file, or `speech`; null for none. */
export function soundFileOf(sound: TemplateSound | undefined): string | null {
  if (sound === undefined) return null;
  return sound.source.startsWith(OF_MEDIA) ? sound.source.slice(OF_MEDIA.length) : SPEECH;
}
