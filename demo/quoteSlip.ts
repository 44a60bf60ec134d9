import { newStackLayer } from '@/core/model/newLayers';
import type { Template } from '@/core/model/template';
import {
  barlow,
  box,
  EMPTY,
  FOUR_SHAPES,
  fraunces,
  inShape,
  moveUse,
  onLayer,
  place,
  shadowed,
  text,
  textField,
} from './layers';
import { motionOf } from '@/core/model/newMove';

/** Somebody's words, large, over a slip that is darkest where the words begin. */
export const quoteSlip: Template = {
  ...EMPTY,
  name: 'Quote slip',
  kind: 'quote',
  production: 'Kiln and Clay',
  description: 'Somebody’s words, large, in up to five lines, and under them who said it.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '50',
  backdrop: 'reed-beds',
  timing: { inSeconds: 1.2, holdSeconds: 6, outSeconds: 0.8 },
  layers: [
    text({
      id: 'mark',
      name: 'Mark',
      reads: '“',
      style: fraunces(600, 190, '#e3b94f', { leading: 0.8 }),
      place: place('baselineStart', onLayer('words'), 'baselineStart', -96, 74),
      motion: motionOf(moveUse('fade', [0.1, 0.5]), 'mirror'),
    }),
    text({
      id: 'words',
      name: 'Words',
      reads: 'Clay forgives a wet thumb. It never forgets a dry one.',
      style: fraunces(400, 74, '#fff6e2'),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      balanced: true,
      maxWidthShare: 0.58,
      whenLong: [{ kind: 'wrap', maxLines: 5 }, { kind: 'shrink', minSizeU: 44 }, { kind: 'cut' }],
      motion: motionOf(moveUse('rise', [0.2, 0.9], { unit: 'line', overlap: 0.6 }), 'mirror'),
    }),
    text({
      id: 'who',
      name: 'Who',
      reads: 'Mira Stott, thrower',
      style: barlow(600, 44, '#e3b94f', { letterCase: 'capitals', tracking: 70, leading: 1.3 }),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      maxWidthShare: 0.58,
      motion: motionOf(
        moveUse('colour-pass', [0.5, 0.7], {
          unit: 'letter',
          overlap: 0.86,
          params: { colour: '#e3b94f', blurU: 24 },
        }),
        'mirror',
      ),
    }),
    {
      ...newStackLayer('lines', 'Words and who', ['words', 'who']),
      place: place('left', { kind: 'titleSafe' }, 'left', 132, 0),
      gapU: 20,
    },
    box({
      id: 'slip',
      name: 'Slip',
      fill: '#0c1f29',
      place: place('left', { kind: 'frame' }, 'left'),
      encloses: ['lines'],
      padding: { leftU: 132, topU: 64, rightU: 84, bottomU: 56 },
      look: {
        ...shadowed(0, 50, '#020a0f', 0.35),
        gradient: {
          shape: 'linear',
          angleDegrees: 0,
          stops: [
            { at: 0, colour: '#0c1f29', opacity: 0.94 },
            { at: 0.7, colour: '#12303d', opacity: 0.88 },
            { at: 1, colour: '#1c5160', opacity: 0.78 },
          ],
        },
      },
      motion: motionOf(moveUse('rise', [0, 0.7], { params: { from: 'left' } }), 'mirror'),
    }),
  ],
  fields: [
    { ...textField('words', 'Words', 'words', 180, true, 'Without quotation marks'), section: 'Quote' },
    { ...textField('who', 'Who said it', 'who', 48, false, 'Name, and what they are'), section: 'Quote' },
  ],
  overrides: [
    inShape('tall', 'words', 'maxWidthShare', 82),
    inShape('tall', 'who', 'maxWidthShare', 82),
    inShape('tall', 'words', 'style.sizeU', 70),
    inShape('tall', 'lines', 'place.dxU', 110),
    inShape('square', 'words', 'maxWidthShare', 80),
    inShape('square', 'who', 'maxWidthShare', 80),
    inShape('square', 'words', 'style.sizeU', 66),
    inShape('square', 'lines', 'place.dxU', 108),
    inShape('classic', 'words', 'maxWidthShare', 76),
    inShape('classic', 'who', 'maxWidthShare', 76),
  ],
};
