import { defineMove, evenCuts, numberParam } from './move';
import { from } from './part';

// A slice waits for the ones above it, but no longer than this share of the time.
const LATEST = 0.4;

export const slices = defineMove({
  id: 'slices',
  label: 'Slices that come together',
  params: [numberParam('distanceU', 'Distance', ['u', 0, 2000, 240])],
  suits: { unit: 'line', overlap: 0.7 },
  cuts: evenCuts(6),
  plan({ slice, slices: count }, params) {
    const side = slice % 2 === 0 ? -1 : 1;
    const since = (slice / Math.max(1, count - 1)) * LATEST;
    return {
      parts: [
        from('xU', side * params.number('distanceU'), { since }),
        from('opacity', 0, { since, until: since + 0.3, ease: 'even' }),
      ],
    };
  },
});
