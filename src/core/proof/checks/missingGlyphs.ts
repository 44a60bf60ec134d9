import { defineCheck } from '../check';
import type { Found } from '../finding';

export const missingGlyphsCheck = defineCheck({
  kind: 'layout',
  id: 'glyphs',
  label: 'Missing characters',
  about: 'Finds characters that no shipped face has, and faces that are not here.',
  run({ shown }) {
    return shown.compiled.notes.flatMap(({ layerId, kind, message }): Found[] => {
      if (kind === 'missing')
        return [{ tone: 'stop', subject: layerId, message: 'a character is missing', detail: `${message}.` }];
      if (kind === 'unknownFace')
        return [{ tone: 'stop', subject: layerId, message: 'a face is missing', detail: `${message}.` }];
      return [];
    });
  },
});
