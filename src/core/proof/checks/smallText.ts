import { pictureSize } from '../../frame/formats';
import { cardName } from '../cardName';
import { defineCheck } from '../check';
import type { Found } from '../finding';

export const smallTextCheck = defineCheck({
  kind: 'layout',
  id: 'small',
  label: 'Smallest text',
  about: 'Finds capitals lower than the house’s share of the picture’s height, or of a tall picture’s width.',
  run({ shown, template, rules, restingFrame }) {
    const { widthU, heightU } = pictureSize(shown.compiled.format);
    const side = Math.min(widthU, heightU);
    const least = rules.smallestCapShare * side;
    return shown.compiled.texts.flatMap(({ layerId, capU }): Found[] => {
      if (capU >= least - 0.05) return [];
      const name = cardName(template, layerId);
      const percent = ((capU / side) * 100).toFixed(1);
      return [
        {
          tone: 'look',
          subject: layerId,
          message: `${name} is small, ${percent} %`,
          detail: `Its capitals are ${capU.toFixed(0)} u high, ${percent} % of the picture; at least ${(rules.smallestCapShare * 100).toFixed(1)} % are wanted.`,
          frame: restingFrame,
        },
      ];
    });
  },
});
