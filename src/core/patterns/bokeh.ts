import { ellipseOutline } from '../display/shapes';
import { pathShape } from '../display/unitShape';
import { seededShare } from '../kit/seeded';
import { colourAt, definePattern } from './pattern';
import { ground } from './plain';

const DISCS = 26;

/** Soft discs of light that rise slowly. */
export const bokeh = definePattern({
  id: 'bokeh',
  label: 'Lights out of focus',
  colours: ['#0b1a22', '#d9a45a', '#6f93a0'],
  still: false,
  draw({ rect, seconds, seed, colours, grain }) {
    const discs = Array.from({ length: DISCS }, (_, i) => {
      const share = (k: number): number => seededShare(seed, i * 7 + k);
      const radius = (28 + 76 * share(0)) * grain;
      const way = rect.height + radius * 2;
      const risen = (share(1) * way + seconds * (10 + 26 * share(2))) % way;
      const sway = Math.sin(seconds * (0.3 + share(3)) + share(4) * 6.28) * 24;
      const x = rect.x + share(5) * rect.width + sway;
      const y = rect.y + rect.height + radius - risen;
      const colour = colourAt(colours, 1 + (i % Math.max(1, colours.length - 1)));
      const stops = [
        { at: 0, colour, opacity: 0.5 },
        { at: 0.82, colour, opacity: 0.62 },
        { at: 1, colour, opacity: 0 },
      ];
      const disc = { x: x - radius, y: y - radius, width: radius * 2, height: radius * 2 };
      return pathShape(
        ellipseOutline(disc),
        { kind: 'radial', centre: { x, y }, radius, stops },
        0.25 + 0.45 * share(6),
      );
    });
    return [ground(rect, colourAt(colours, 0)), ...discs];
  },
});
