import { defineEase } from './ease';

export const gather = defineEase({ id: 'gather', label: 'Gather speed', at: (p) => p ** 3 });
