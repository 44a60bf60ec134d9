import type { Rect } from '../kit/rect';
import type { UnitPlace } from './move';
import { defineMove } from './move';
import type { Station } from './part';
import { through } from './part';

/** A line of units along one axis: where each begins and ends, the way that it is read. */
interface Row {
  readonly starts: readonly number[];
  readonly ends: readonly number[];
  /** Which of them the unit is. */
  readonly at: number;
}

const middleY = ({ y, height }: Rect): number => y + height / 2;

const isBeside = (box: Rect, line: Rect): boolean =>
  middleY(box) >= line.y && middleY(box) <= line.y + line.height;

/** The units of a unit's own line; one that is read from the right has its ends on the left. */
function acrossRow({ all, line, index }: UnitPlace): Row {
  const on = all.flatMap((box, i) => (isBeside(box, line) || i === index ? [{ box, i }] : []));
  // A line of one unit is read as the others are.
  const fromRight = all.some((box, i) => i > 0 && isBeside(box, all[i - 1]) && box.x < all[i - 1].x);
  const [near, far] = [({ x }: Rect): number => x, ({ x, width }: Rect): number => x + width];
  const [startOf, endOf] = fromRight ? [far, near] : [near, far];
  return {
    starts: on.map(({ box }) => startOf(box)),
    ends: on.map(({ box }) => endOf(box)),
    at: on.findIndex(({ i }) => i === index),
  };
}

/** All units from the top to the foot of what they are in. */
function downRow({ all, index }: UnitPlace): Row {
  return { starts: all.map(({ y }) => y), ends: all.map(({ y, height }) => y + height), at: index };
}

export const push = defineMove({
  id: 'push',
  label: 'Words that push one another',
  params: [
    {
      id: 'way',
      label: 'Way',
      control: 'choice',
      choices: [
        { value: 'along', label: 'Along the line' },
        { value: 'up', label: 'Upwards' },
      ],
      preset: 'along',
    },
  ],
  suits: { unit: 'word', overlap: 1, ease: 'glide', unitSeconds: 1.4 },
  // Each comes in at the end of the line and pushes what is there already on, as far as it is long itself.
  plan(unit, params) {
    const isUp = params.choice('way') === 'up';
    const { starts, ends, at } = isUp ? downRow(unit) : acrossRow(unit);
    const endU = ends[ends.length - 1];
    // As far from what it pushes as they stand at rest.
    const from = at === 0 ? endU - starts[0] : endU - ends[at - 1];
    const stations: Station[] = [[at / ends.length, from]];
    for (let i = at; i < ends.length; i++) stations.push([(i + 1) / ends.length, endU - ends[i]]);
    const [comes, isThere] = [at / ends.length, (at + 0.5) / ends.length];
    return {
      parts: [
        through(isUp ? 'yU' : 'xU', stations),
        through('opacity', [
          [comes, 0],
          [isThere, 1, 'even'],
        ]),
      ],
    };
  },
});
