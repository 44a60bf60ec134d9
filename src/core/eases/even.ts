import { defineEase } from './ease';

export const even = defineEase({ id: 'even', label: 'Even', at: (p) => p });
