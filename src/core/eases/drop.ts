import { defineEase } from './ease';

export const drop = defineEase({ id: 'drop', label: 'Drop', at: (p) => p * p });
