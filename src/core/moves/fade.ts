import { defineMove, REST } from './move';

export const fade = defineMove({
  id: 'fade',
  label: 'Fade',
  params: [],
  pose: (progress) => ({ ...REST, opacity: Math.max(0, Math.min(1, progress)) }),
});
