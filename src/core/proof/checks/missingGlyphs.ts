import { cardName } from '../cardName';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { sayNote } from '../../timeline/layerNotes';

export const missingGlyphsCheck = defineCheck({
  kind: 'layout',
  id: 'glyphs',
  label: 'Missing characters',
  about: 'Finds characters that no font here has, and fonts that are not here.',
  run({ shown, template }) {
    return shown.compiled.notes.flatMap((note): Found[] => {
      const about = {
        tone: 'stop',
        subject: note.layerId,
        detail: `${sayNote({ ...note, layerName: cardName(template, note.layerId) })}.`,
      } as const;
      if (note.kind === 'missing') return [{ ...about, message: 'a character is missing' }];
      return note.kind === 'unknownFace' ? [{ ...about, message: 'a font is missing' }] : [];
    });
  },
});
