import { polygonOutline } from '../display/outline';
import { pathShape } from '../display/unitShape';
import { seededShare } from '../kit/seeded';
import { colourAt, definePattern } from './pattern';
import { ground } from './plain';

const RAYS = 14;

/** Beams that turn slowly round a point above the picture. */
export const rays = definePattern({
  id: 'rays',
  label: 'Rays',
  colours: ['#142a2f', '#e3b94f'],
  still: false,
  draw({ rect, seconds, seed, colours, grain }) {
    const centre = { x: rect.x + rect.width / 2, y: rect.y - rect.height * 0.15 };
    const reach = Math.hypot(rect.width, rect.height) * 1.2;
    const beams = Array.from({ length: RAYS }, (_, i) => {
      const colour = colourAt(colours, 1 + (i % Math.max(1, colours.length - 1)));
      const turn = (i / RAYS) * 2 * Math.PI + seconds * 0.06 + seededShare(seed, i) * 0.2;
      const half = (0.03 + 0.07 * seededShare(seed, i + 30)) * grain;
      const corner = (angle: number): number[] => [
        centre.x + Math.cos(angle) * reach,
        centre.y + Math.sin(angle) * reach,
      ];
      const stops = [
        { at: 0, colour, opacity: 0.55 },
        { at: 1, colour, opacity: 0 },
      ];
      return pathShape(
        polygonOutline([centre.x, centre.y, ...corner(turn - half), ...corner(turn + half)]),
        { kind: 'radial', centre, radius: reach, stops },
        0.5,
      );
    });
    return [ground(rect, colourAt(colours, 0)), ...beams];
  },
});
