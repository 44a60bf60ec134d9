import { defineMove, evenCuts } from './move';
import { from } from './part';

export const unfold = defineMove({
  id: 'unfold',
  label: 'Unfold, mirrored',
  params: [],
  suits: { unit: 'line', overlap: 0.6 },
  cuts: evenCuts(2),
  // Both halves stand away from the viewer along the fold in the middle and come down like a sheet.
  plan: ({ slice }) => ({
    parts: [from('turnX', slice === 0 ? -92 : 92), from('opacity', 0, { until: 0.2, ease: 'even' })],
    pivot: 'centre',
  }),
});
