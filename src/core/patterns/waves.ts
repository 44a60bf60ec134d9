import { OutlineBuilder } from '../display/outline';
import { pathShape, solid } from '../display/unitShape';
import { seededShare } from '../kit/seeded';
import { colourAt, definePattern } from './pattern';
import { ground } from './plain';

const STEP_U = 30;

/** Bands of water, one behind the other, that roll at different paces. */
export const waves = definePattern({
  id: 'waves',
  label: 'Waves',
  colours: ['#0e2a36', '#164553', '#1f6270', '#10303c'],
  still: false,
  draw({ rect, seconds, seed, colours, grain }) {
    const bands = colours.slice(1).map((colour, i, all) => {
      const top = rect.y + rect.height * (0.35 + (0.55 * (i + 1)) / (all.length + 1));
      const swell = 26 * grain * (1 + 0.4 * seededShare(seed, i));
      const length = (210 + 90 * seededShare(seed, i + 9)) * grain;
      const phase = seconds * (0.5 + 0.25 * i) + seededShare(seed, i + 5) * 6.28;
      const right = rect.x + rect.width;
      const b = new OutlineBuilder().moveTo(rect.x, rect.y + rect.height);
      for (let x = rect.x; x < right + STEP_U; x += STEP_U) {
        const at = Math.min(x, right);
        b.lineTo(
          at,
          top + swell * Math.sin(at / length + phase) + swell * 0.4 * Math.sin(at / (length * 0.43) - phase),
        );
      }
      return pathShape(
        b
          .lineTo(right, rect.y + rect.height)
          .close()
          .build(),
        solid(colour),
        0.85,
      );
    });
    return [ground(rect, colourAt(colours, 0)), ...bands];
  },
});
