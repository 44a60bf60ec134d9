import type { MovePlan } from './move';
import { defineMove, numberParam } from './move';
import type { MovePart, Station } from './part';
import { from, through } from './part';

const TURNED_DEGREES = 90;
// It is there at once, but not before its time.
const COMES: readonly Station[] = [
  [0, 0],
  [0.015, 1, 'even'],
];

/** The same over each change; `change` gives its stations for one that begins and ends at shares of the time. */
function each(
  property: MovePart['property'],
  changes: number,
  change: (begins: number, halfway: number, ends: number) => readonly Station[],
): MovePart {
  const stations = Array.from({ length: changes }, (_, i) =>
    change(i / changes, (i + 0.5) / changes, (i + 1) / changes),
  );
  return through(property, stations.flat());
}

/** The halves that stand, and the leaf that falls from the one to the other: its back is the next figure's lower half. */
function half(slice: number, changes: number, shade: number): readonly MovePart[] {
  const isLeaf = slice >= 2;
  const isUpper = slice % 2 === 0;
  // Behind the leaf, and on its back, stands what comes next.
  const showsNext = isUpper !== isLeaf;
  const settled = showsNext
    ? through('settled', [
        [0, 1 / changes],
        [1 - 1 / changes, 1, 'even'],
        [1, 1],
      ])
    : from('settled', 0, { ease: 'even' });
  if (!isLeaf) return [settled, through('opacity', COMES)];
  const starts = Array.from({ length: changes }, (_, i) => i / changes);
  return [
    settled,
    each('turnX', changes, (begins, halfway, ends) =>
      isUpper
        ? [
            [begins, 0, 'stepped'],
            [halfway, TURNED_DEGREES, 'gather'],
            [ends, TURNED_DEGREES],
          ]
        : [
            [begins, -TURNED_DEGREES, 'stepped'],
            [halfway, -TURNED_DEGREES],
            [ends, 0, 'even'],
          ],
    ),
    each('shade', changes, (begins, halfway, ends) =>
      isUpper
        ? [
            [begins, 0, 'stepped'],
            [halfway, shade, 'even'],
            [ends, shade],
          ]
        : [
            [begins, shade, 'stepped'],
            [halfway, shade],
            [ends, 0, 'even'],
          ],
    ),
    isUpper
      ? through('opacity', [
          ...COMES,
          ...starts.flatMap((begins): Station[] => [
            ...(begins === 0 ? [] : [[begins, 1, 'stepped'] as const]),
            [begins + 0.5 / changes, 0, 'stepped'],
          ]),
        ])
      : each('opacity', changes, (begins, halfway) => [
          [begins, 0, 'stepped'],
          [halfway, 1, 'stepped'],
        ]),
  ];
}

export const leaves = defineMove({
  id: 'leaves',
  label: 'Leaves that flip to their figure',
  params: [
    numberParam('changes', 'Changes', ['', 1, 30, 5]),
    numberParam('shade', 'Shade', ['%', 0, 100, 50]),
  ],
  suits: { unit: 'letter', overlap: 0.85, ease: 'even', unitSeconds: 0.8 },
  needs: 'letters',
  // An upper and a lower half, and over them the leaf's front and its back.
  cuts: [
    [0, 0.5],
    [0.5, 1],
    [0, 0.5],
    [0.5, 1],
  ],
  plan({ slice, chance }, params): MovePlan {
    const changes = Math.max(1, Math.round(params.number('changes')));
    return {
      parts: half(slice, changes, params.number('shade') / 100),
      swap: { changes, chance, inOrder: true },
    };
  },
});
