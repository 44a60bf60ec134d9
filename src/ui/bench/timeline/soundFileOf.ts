import type { TemplateSound } from '@/core/model/template';

const OF_MEDIA = 'media:';
/** Stands for the talking stand-in where others have the id of a file. */
export const SPEECH = 'speech';

/** What a template's sound is fetched by: the id of its file, or `speech`; null for none. */
export function soundFileOf(sound: TemplateSound | undefined): string | null {
  if (sound === undefined) return null;
  return sound.source.startsWith(OF_MEDIA) ? sound.source.slice(OF_MEDIA.length) : SPEECH;
}
