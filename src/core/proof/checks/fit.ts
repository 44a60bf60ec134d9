import { defineCheck } from '../check';
import type { Found } from '../finding';

export const fitCheck = defineCheck({
  kind: 'layout',
  id: 'fit',
  label: 'Fit',
  about: 'Finds words that are too wide, cut, squeezed beyond the limit, shrunk or wrapped.',
  run({ shown, rules, applied }) {
    const nameOf = (id: string): string => applied.layers.find((layer) => layer.id === id)?.name ?? 'A text';
    const squeezed = new Map(shown.compiled.texts.map((text) => [text.layerId, text.type]));
    return shown.compiled.notes.flatMap(({ layerId, kind, message }): Found[] => {
      const name = nameOf(layerId);
      if (kind === 'overflow')
        return [{ tone: 'stop', subject: layerId, message: `${name} is too wide`, detail: `${message}.` }];
      if (kind !== 'fitted') return [];
      const type = squeezed.get(layerId);
      if (type?.cut === true)
        return [{ tone: 'stop', subject: layerId, message: `${name} is cut`, detail: `${message}.` }];
      const narrow = type !== undefined && type.squeeze < rules.squeezeShare;
      const how = narrow ? 'squeezed hard' : message.includes('shrunk') ? 'shrunk' : '';
      // What the designer allows and stays easy to read is told on the card, not found fault with.
      return how === ''
        ? []
        : [{ tone: 'look', subject: layerId, message: `${name} is ${how}`, detail: `${message}.` }];
    });
  },
});
