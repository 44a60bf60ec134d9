import { rowWords, shownRows } from '../../model/template';
import { figureIn } from '../../text/figures';
import { cardName } from '../cardName';
import { defineCheck } from '../check';
import type { Found } from '../finding';

/** A bar is as long as a figure of its row; a row without one shows none, which looks like a nought. */
export const barsCheck = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'bars',
  label: 'Figures of bars',
  about: 'Finds rows of a list that have no figure for their bar.',
  run({ applied, template }) {
    return applied.layers.flatMap((layer): Found[] => {
      if (layer.kind !== 'rows' || !layer.visible) return [];
      const cells = layer.columns.flatMap(({ bar = null }) => (bar === null ? [] : [bar.of]));
      const without = shownRows(layer).filter((row) =>
        cells.some((cell) => figureIn(row.split('\t')[cell] ?? '') === null),
      );
      if (without.length === 0) return [];
      const name = cardName(template, layer.id);
      const told = without.map((row) => `“${rowWords(row).replaceAll('\n', ' ').trim()}”`);
      return [
        {
          tone: 'look',
          subject: layer.id,
          message: without.length === 1 ? 'a row has no figure' : `${without.length} rows have no figure`,
          detail: `${name}: ${told.slice(0, 3).join(', ')}${told.length > 3 ? ' and others' : ''} ${without.length === 1 ? 'has' : 'have'} no bar.`,
        },
      ];
    });
  },
});
