import { createRegistry } from '../kit/registry';

/** The order in which units follow one another: `rank` gives 0 for the first to go; equal ranks go together. */
export interface UnitOrder {
  readonly id: string;
  readonly label: string;
  rank(index: number, count: number): number;
}

/** Every order, in the order in which menus show them. */
export const ORDERS = createRegistry<UnitOrder>('order', [
  { id: 'forward', label: 'First to last', rank: (i) => i },
  { id: 'backward', label: 'Last to first', rank: (i, n) => n - 1 - i },
  {
    id: 'centre',
    label: 'From the centre',
    rank: (i, n) => Math.floor(Math.abs(i - (n - 1) / 2) + (n % 2 ? 0 : 0.25)),
  },
  { id: 'edges', label: 'From the edges', rank: (i, n) => Math.min(i, n - 1 - i) },
]);
