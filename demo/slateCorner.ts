import type { Template } from '@/core/model/template';
import { barlow, EMPTY, FOUR_SHAPES, fraunces, moveUse, onLayer, place, text, textField } from './layers';
import { motionOf } from '@/core/model/newMove';

const band = (colour: string, opacity: number) => ({
  colour,
  opacity,
  padAcrossU: 18,
  padDownU: 2,
  radiusU: 0,
});

/** Where and when a clip was recorded, top left, each line on its own band. Fills itself from the clip. */
export const slateCorner: Template = {
  ...EMPTY,
  name: 'Slate corner',
  kind: 'place-date',
  production: 'Night Ferry',
  description:
    'Where and when the clip was recorded. Fills itself from the clip; both lines can be typed over.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'lock-gates',
  timing: { inSeconds: 0.8, holdSeconds: 3.2, outSeconds: 0.6 },
  layers: [
    text({
      id: 'place',
      name: 'Place',
      reads: 'Osier Reach',
      style: fraunces(600, 60, '#0c1f29', { leading: 1.24 }),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft', 18, 4),
      highlight: band('#f0d9a2', 1),
      motion: motionOf(
        moveUse('slide', [0, 0.6], { params: { angleDegrees: 180, distanceU: 80 } }),
        'mirror',
      ),
    }),
    text({
      id: 'date',
      name: 'Date',
      reads: '9 May 2026',
      style: barlow(500, 42, '#ffffff', { tracking: 20, leading: 1.34, figures: 'tabular' }),
      place: place('topLeft', onLayer('place'), 'bottomLeft', 0, 4),
      highlight: band('#10303c', 0.94),
      motion: motionOf(
        [
          moveUse('slide', [0.15, 0.6], { params: { angleDegrees: 180, distanceU: 80 } }),
          moveUse('typing', [0.2, 0.6], { unit: 'letter', overlap: 0, ease: 'even' }),
        ],
        'mirror',
      ),
    }),
  ],
  fields: [
    { ...textField('place', 'Place', 'place', 36, true, 'From the clip until you type'), automatic: 'place' },
    {
      ...textField('date', 'Date', 'date', 40, false, 'From the clip until you choose'),
      kind: 'date',
      automatic: 'date',
      limits: { pattern: 'd MMMM yyyy' },
    },
  ],
};
