import { defineCheck } from '../check';
import type { Found } from '../finding';
import type { FitFact } from '../../text/fitFacts';
import { sayNote } from '../../timeline/layerNotes';

export const fitCheck = defineCheck({
  kind: 'layout',
  id: 'fit',
  label: 'Fit',
  about: 'Finds words that are too wide, cut, squeezed beyond the limit, shrunk or wrapped.',
  run({ shown, rules, applied }) {
    // In a column lines are broken anyway.
    const inColumn = new Set(
      applied.layers.flatMap((layer) => (layer.kind === 'text' && layer.columnU !== null ? [layer.id] : [])),
    );
    return shown.compiled.notes.flatMap((note): Found[] => {
      const about = { subject: note.layerId, detail: `${sayNote(note)}.` };
      if (note.kind === 'overflow')
        return [{ ...about, tone: 'stop', message: `${note.layerName} is too wide` }];
      if (note.kind !== 'fitted') return [];
      if (note.facts.some(({ kind }) => kind === 'cut' || kind === 'rowsCut'))
        return [{ ...about, tone: 'stop', message: `${note.layerName} is cut` }];
      const how = fittedHow(note.facts, rules.squeezeShare, inColumn.has(note.layerId));
      return how === '' ? [] : [{ ...about, tone: 'look', message: `${note.layerName} is ${how}` }];
    });
  },
});

/** What was done to a text that should be looked at; a light squeeze, which nobody sees, is only told on the card. */
function fittedHow(facts: readonly FitFact[], squeezeShare: number, inColumn: boolean): string {
  if (facts.some((fact) => fact.kind === 'squeezed' && fact.share < squeezeShare)) return 'squeezed hard';
  if (facts.some(({ kind }) => kind === 'shrunk')) return 'shrunk';
  return !inColumn && facts.some(({ kind }) => kind === 'wrapped') ? 'wrapped' : '';
}
