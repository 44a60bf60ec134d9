import { containsRect } from '../../kit/rect';
import { cardName } from '../cardName';
import { heldBox } from '../heldBox';
import { defineCheck } from '../check';
import type { Found } from '../finding';

// Rounding to whole pixels may put an edge this far outside.
const TOLERANCE_U = 1.5;

export const safeAreasCheck = defineCheck({
  kind: 'layout',
  id: 'safe',
  label: 'Title safe',
  about: 'Finds words that leave the title-safe area while they stand. Shapes may leave it.',
  run({ shown, safe, template, applied, restingFrame }) {
    return shown.compiled.texts.flatMap(({ layerId }): Found[] => {
      const whole = shown.compiled.boxes.get(layerId);
      const box =
        whole &&
        heldBox(
          applied.layers.find(({ id }) => id === layerId),
          whole,
          safe,
        );
      if (box === undefined || containsRect(safe, box, TOLERANCE_U)) return [];
      const by = Math.max(
        safe.x - box.x,
        safe.y - box.y,
        box.x + box.width - safe.x - safe.width,
        box.y + box.height - safe.y - safe.height,
      );
      const name = cardName(template, layerId);
      return [
        {
          tone: 'stop',
          subject: layerId,
          message: `${name} leaves title safe`,
          detail: `${name} reaches ${Math.round(by)} u beyond the title-safe area.`,
          frame: restingFrame,
        },
      ];
    });
  },
});
