import { cardName } from '../cardName';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { sayNote } from '../../timeline/layerNotes';

/** A text that wraps or shrinks as its designer allowed is right; what is cut, too wide or squeezed too far is not. */
export const fitCheck = defineCheck({
  kind: 'layout',
  id: 'fit',
  label: 'Fit',
  about: 'Finds words that are too wide, cut, or squeezed beyond the limit.',
  run({ shown, rules, template }) {
    return shown.compiled.notes.flatMap((note): Found[] => {
      const name = cardName(template, note.layerId);
      const about = { subject: note.layerId, detail: `${sayNote({ ...note, layerName: name })}.` };
      if (note.kind === 'overflow') return [{ ...about, tone: 'stop', message: `${name} is too wide` }];
      if (note.kind !== 'fitted') return [];
      if (note.facts.some(({ kind }) => kind === 'cut' || kind === 'rowsCut'))
        return [{ ...about, tone: 'stop', message: `${name} is cut` }];
      const squeezed = note.facts.some((fact) => fact.kind === 'squeezed' && fact.share < rules.squeezeShare);
      return squeezed ? [{ ...about, tone: 'look', message: `${name} is squeezed hard` }] : [];
    });
  },
});
