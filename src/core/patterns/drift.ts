import { rectOutline } from '../display/shapes';
import { pathShape } from '../display/unitShape';
import { seededShare } from '../kit/seeded';
import { colourAt, definePattern } from './pattern';
import { ground } from './plain';

/** Colours that lie over one another and drift slowly. */
export const drift = definePattern({
  id: 'drift',
  label: 'Drifting gradient',
  colours: ['#0c1f29', '#1c5160', '#6d4a2a'],
  still: false,
  draw({ rect, seconds, seed, colours, grain }) {
    const clouds = colours.slice(1).flatMap((colour, i) => {
      const radius = Math.max(rect.width, rect.height) * (0.45 + 0.2 * seededShare(seed, i)) * grain;
      const turn = seconds * (0.12 + 0.1 * seededShare(seed, i + 10)) + seededShare(seed, i + 20) * 6.28;
      const centre = {
        x: rect.x + rect.width * (0.5 + 0.42 * Math.cos(turn + i)),
        y: rect.y + rect.height * (0.5 + 0.42 * Math.sin(turn * 0.8 + i * 2)),
      };
      const stops = [
        { at: 0, colour, opacity: 0.9 },
        { at: 0.5, colour, opacity: 0.4 },
        { at: 1, colour, opacity: 0 },
      ];
      return pathShape(rectOutline(rect), {
        kind: 'radial',
        centre,
        radius,
        stops,
      });
    });
    return [ground(rect, colourAt(colours, 0)), ...clouds];
  },
});
