import { defineMove } from './move';
import { from } from './part';

export const fade = defineMove({
  id: 'fade',
  label: 'Fade',
  params: [],
  suits: {},
  plan: () => ({ parts: [from('opacity', 0)] }),
});
