import type { TemplateSound } from '@/core/model/template';
import { soundFileId } from '@/core/model/templateSound';
import { SPEECH } from '../../shared/sound/speech';

/** What a template's sound is fetched by: the id of its file, or `speech`; null for none. */
export function soundFileOf(sound: TemplateSound | undefined): string | null {
  return sound === undefined ? null : (soundFileId(sound) ?? SPEECH);
}
