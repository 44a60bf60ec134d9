import { defineMove, fromLineCentre, numberParam } from './move';
import { from } from './part';

export const bend = defineMove({
  id: 'bend',
  label: 'Bend in',
  params: [numberParam('bendDegrees', 'Bends', ['°', -180, 180, 80])],
  suits: { unit: 'letter', overlap: 1 },
  needs: 'letters',
  // A line of letters lies on an arc that straightens: each keeps its distance along it.
  plan(unit, params) {
    const { line } = unit;
    const whole = (params.number('bendDegrees') * Math.PI) / 180;
    const along = fromLineCentre(unit) / Math.max(1, line.width);
    const angle = whole * along;
    const radius = whole === 0 ? 0 : line.width / whole;
    return {
      parts: [
        from('xU', radius * Math.sin(angle) - along * line.width),
        from('yU', radius * (1 - Math.cos(angle))),
        from('turnZ', (angle * 180) / Math.PI),
        from('opacity', 0, { until: 0.4, ease: 'even' }),
      ],
      pivot: 'baseline',
    };
  },
});
