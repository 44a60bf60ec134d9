import { defineCheck } from '../check';
import type { Found } from '../finding';

export const fitCheck = defineCheck({
  kind: 'layout',
  id: 'fit',
  label: 'Fit',
  about: 'Finds words that are too wide, cut, squeezed beyond the limit, shrunk or wrapped.',
  run({ shown, rules, applied }) {
    const nameOf = (id: string): string => applied.layers.find((layer) => layer.id === id)?.name ?? 'A text';
    // In a column lines are broken anyway.
    const inColumn = new Set(
      applied.layers.flatMap((layer) => (layer.kind === 'text' && layer.columnU !== null ? [layer.id] : [])),
    );
    const squeezed = new Map(shown.compiled.texts.map((text) => [text.layerId, text.type]));
    return shown.compiled.notes.flatMap(({ layerId, kind, message }): Found[] => {
      const name = nameOf(layerId);
      if (kind === 'overflow')
        return [{ tone: 'stop', subject: layerId, message: `${name} is too wide`, detail: `${message}.` }];
      if (kind !== 'fitted') return [];
      const type = squeezed.get(layerId);
      if (type?.cut === true)
        return [{ tone: 'stop', subject: layerId, message: `${name} is cut`, detail: `${message}.` }];
      const how = fittedHow(
        message,
        type !== undefined && type.squeeze < rules.squeezeShare,
        inColumn.has(layerId),
      );
      return how === ''
        ? []
        : [{ tone: 'look', subject: layerId, message: `${name} is ${how}`, detail: `${message}.` }];
    });
  },
});

/** What was done to a text that should be looked at; a light squeeze, which nobody sees, is only told on the card. */
function fittedHow(message: string, narrow: boolean, inColumn: boolean): string {
  if (narrow) return 'squeezed hard';
  if (message.includes('shrunk')) return 'shrunk';
  return message.includes('wrapped') && !inColumn ? 'wrapped' : '';
}
