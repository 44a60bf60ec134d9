import type { TemplateSound } from './template';

const OF_MEDIA = 'media:';

/** The id of the file that a template plays along with; null for none, and for the talking stand-in. */
export function soundFileId(sound: TemplateSound | undefined): string | null {
  return sound?.source.startsWith(OF_MEDIA) === true ? sound.source.slice(OF_MEDIA.length) : null;
}
