import { defineEase } from './ease';

export const lift = defineEase({ id: 'lift', label: 'Lift', at: (p) => 1 - (1 - p) ** 2 });
