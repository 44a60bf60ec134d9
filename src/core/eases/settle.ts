import { defineEase } from './ease';

export const settle = defineEase({ id: 'settle', label: 'Settle', at: (p) => 1 - (1 - p) ** 4 });
