import { OutlineBuilder } from '../display/outline';
import { pathShape, solid } from '../display/unitShape';
import { seededShare } from '../kit/seeded';
import { colourAt, definePattern } from './pattern';
import { ground } from './plain';

const SPECKS = 2400;
// Two seconds, in which no eye finds what comes again.
const STEPS = { perSecond: 12, count: 24 };

/** Fine specks that change twelve times a second, like film. */
export const grain = definePattern({
  id: 'grain',
  label: 'Grain',
  colours: ['#17242a', '#33474f', '#0b1317'],
  still: false,
  steps: STEPS,
  draw({ rect, seconds, seed, colours, grain: size }) {
    const step = Math.floor(seconds * STEPS.perSecond + 1e-6);
    const speck = (first: number, colour: string): ReturnType<typeof pathShape> => {
      const b = new OutlineBuilder();
      for (let i = first; i < first + SPECKS; i++) {
        const x = rect.x + seededShare(seed + step, i * 2) * rect.width;
        const y = rect.y + seededShare(seed + step, i * 2 + 1) * rect.height;
        const side = (1.2 + 2 * seededShare(seed, i)) * size;
        b.moveTo(x, y)
          .lineTo(x + side, y)
          .lineTo(x + side, y + side)
          .lineTo(x, y + side)
          .close();
      }
      return pathShape(b.build(), solid(colour), 0.5);
    };
    return [
      ground(rect, colourAt(colours, 0)),
      speck(0, colourAt(colours, 1)),
      speck(SPECKS, colourAt(colours, 2)),
    ];
  },
});
