import type { DisplayItem } from '@/core/display/list';
import { IDENTITY } from '@/core/kit/matrix';
import { rectOutline } from '@/core/display/shapes';
import { pictureKeys } from './pictureKey';

const SIZE = { widthPx: 100, heightPx: 50 };
const box = (x: number, colour: string): DisplayItem => ({
  kind: 'fill',
  outline: rectOutline({ x, y: 0, width: 10, height: 10 }),
  matrix: IDENTITY,
  opacity: 1,
  paint: { kind: 'solid', colour },
});
const moved = (y: number, items: readonly DisplayItem[]): DisplayItem => ({
  kind: 'moved',
  byPx: { x: 0, y },
  items,
});
const list = (...items: DisplayItem[]) => [{ ...SIZE, items }];

test('pictures have one key only where every value is equal, in this run and in another', () => {
  const [keyOf, another] = [pictureKeys(), pictureKeys()];
  const kept = [box(0, '#ff0000')];
  const lists = [
    list(moved(1, kept)),
    list(moved(2, kept)),
    list(moved(1, [box(0, '#ff0001')])),
    list(moved(1, [box(1, '#ff0000')])),
    list({ kind: 'group', opacity: 1, items: kept }),
    list({ kind: 'group', opacity: 1, items: [moved(1, kept)] }),
    list(...kept),
    list(),
  ];
  const keys = lists.map(keyOf);
  expect(new Set(keys).size).toBe(lists.length);
  expect(lists.map(keyOf)).toEqual(keys);
  expect(structuredClone(lists).map(another)).toEqual(keys);
});
