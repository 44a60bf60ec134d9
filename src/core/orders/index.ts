import { createRegistry } from '../kit/registry';
import { seededShare } from '../kit/seeded';

/** What an order may go by. */
interface OrderInput {
  readonly count: number;
  readonly seed: number;
  /** How large each unit is (its area). */
  readonly sizes: readonly number[];
  /** The ranks that the user gave. */
  readonly ranks: readonly number[];
  /** Which line each unit is on. */
  readonly lines: readonly number[];
}

/** The order in which units follow one another: a rank for each, 0 for the first to go; equal ranks go together. */
export interface UnitOrder {
  readonly id: string;
  readonly label: string;
  ranks(input: OrderInput): readonly number[];
}

const each = (count: number, rank: (index: number) => number): number[] =>
  Array.from({ length: count }, (_, i) => rank(i));

/** The place of each value among all, in order of size; equal ones keep their order. */
function places(values: readonly number[]): number[] {
  const sorted = values.map((value, index) => ({ value, index }));
  sorted.sort((a, b) => a.value - b.value || a.index - b.index);
  const ranks = values.map(() => 0);
  sorted.forEach(({ index }, place) => (ranks[index] = place));
  return ranks;
}

/** Every order, in the order in which menus show them. */
export const ORDERS = createRegistry<UnitOrder>('order', [
  { id: 'forward', label: 'First to last', ranks: ({ count }) => each(count, (i) => i) },
  { id: 'backward', label: 'Last to first', ranks: ({ count }) => each(count, (i) => count - 1 - i) },
  {
    id: 'centre',
    label: 'From the centre',
    ranks: ({ count: n }) => each(n, (i) => Math.floor(Math.abs(i - (n - 1) / 2) + (n % 2 ? 0 : 0.25))),
  },
  {
    id: 'edges',
    label: 'From the edges',
    ranks: ({ count: n }) => each(n, (i) => Math.min(i, n - 1 - i)),
  },
  {
    id: 'from-one',
    label: 'From one of them on',
    // Its number is the first of the ranks; beyond the last unit it is that one.
    ranks: ({ count, ranks }) => each(count, (i) => Math.abs(i - Math.min(count - 1, ranks[0] ?? 0))),
  },
  {
    id: 'lines-together',
    label: 'All lines at once',
    ranks: ({ lines }) => lines.map((line, i) => i - lines.indexOf(line)),
  },
  {
    id: 'line-after-line',
    label: 'Line after line',
    ranks: ({ lines }) => {
      const inOrder = [...new Set(lines)].sort((a, b) => a - b);
      return lines.map((line) => inOrder.indexOf(line));
    },
  },
  {
    id: 'random',
    label: 'Random',
    ranks: ({ count, seed }) => places(each(count, (i) => seededShare(seed, i))),
  },
  { id: 'size', label: 'Smallest first', ranks: ({ sizes }) => places(sizes) },
  {
    id: 'custom',
    label: 'By numbers',
    ranks: ({ count, ranks }) =>
      ranks.length === 0 ? each(count, (i) => i) : each(count, (i) => ranks[i % ranks.length]),
  },
]);
