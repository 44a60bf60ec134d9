import { defineEase } from './ease';

// A damped swing that has died down to a thousandth by the end, where what is left is taken off evenly.
const swing = (p: number): number => 1 - Math.exp(-7 * p) * Math.cos(4.5 * Math.PI * p);
const LEFT = 1 - swing(1);

export const spring = defineEase({ id: 'spring', label: 'Spring', at: (p) => swing(p) + LEFT * p });
