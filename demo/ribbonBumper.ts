import { newLightLayer } from '@/core/model/newLayers';
import type { Template } from '@/core/model/template';
import {
  barlow,
  box,
  EMPTY,
  FOUR_SHAPES,
  fraunces,
  moveUse,
  onLayer,
  place,
  shadowed,
  text,
  textField,
} from './layers';
import { motionOf } from '@/core/model/newMove';

/** A ribbon with notched ends that unrolls from the middle, and a light that passes over it. */
export const ribbonBumper: Template = {
  ...EMPTY,
  name: 'Ribbon bumper',
  kind: 'bumper',
  production: 'Lantern Regatta',
  description: 'A ribbon across the lower third, for going into and out of a break. A light passes over it.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'night-deck',
  timing: { inSeconds: 1, holdSeconds: 3, outSeconds: 0.8 },
  layers: [
    {
      ...newLightLayer('light', 'Passing light'),
      widthU: 360,
      heightU: 420,
      travelU: 1100,
      colour: '#fff1c9',
      opacity: 0.34,
      place: place('centre', onLayer('ribbon'), 'centre'),
      motion: motionOf(moveUse('fade', [0.5, 0.5]), 'mirror'),
    },
    text({
      id: 'words',
      name: 'Words',
      reads: 'Back after the tide',
      style: fraunces(600, 82, '#fff6e2', { leading: 1.12 }),
      align: 'centre',
      maxWidthShare: 0.76,
      whenLong: [{ kind: 'wrap', maxLines: 2 }, { kind: 'shrink', minSizeU: 46 }, { kind: 'cut' }],
      balanced: true,
      place: place('centre', { kind: 'titleSafe' }, 'bottom', 0, -150),
      look: shadowed(3, 8, '#2a0d0e', 0.6),
      motion: motionOf(moveUse('rise', [0.35, 0.6], { unit: 'word', overlap: 0.6 }), 'mirror'),
    }),
    text({
      id: 'when',
      name: 'When',
      reads: 'four minutes',
      style: barlow(500, 40, '#f4d48a', { letterCase: 'capitals', tracking: 140, leading: 1.3 }),
      align: 'centre',
      maxWidthShare: 0.7,
      place: place('top', onLayer('words'), 'bottom', 0, 0),
      motion: motionOf(
        moveUse('tracking-close', [0.5, 0.5], { unit: 'letter', overlap: 1, params: { wide: 30 } }),
        'mirror',
      ),
    }),
    box({
      id: 'ribbon',
      name: 'Ribbon',
      fill: '#6d2a2c',
      place: place('centre', { kind: 'titleSafe' }, 'bottom'),
      shape: { kind: 'path', data: 'M0 0 L100 0 L96 50 L100 100 L0 100 L4 50 Z' },
      encloses: ['words', 'when'],
      padding: { leftU: 110, topU: 30, rightU: 110, bottomU: 34 },
      limits: { minWidthU: 560, maxWidthU: null, minHeightU: null, maxHeightU: null },
      look: {
        ...shadowed(10, 34, '#0a0203', 0.55),
        gradient: {
          shape: 'linear',
          angleDegrees: 90,
          stops: [
            { at: 0, colour: '#8c3a3a', opacity: 1 },
            { at: 0.5, colour: '#6d2a2c', opacity: 1 },
            { at: 1, colour: '#4b1a1d', opacity: 1 },
          ],
        },
        outlines: [{ side: 'inside', widthU: 3, colour: '#e3b94f', opacity: 0.9 }],
      },
      motion: motionOf(
        moveUse('unroll', [0, 0.7], { ease: 'glide', params: { colour: '#e3b94f' } }),
        'mirror',
      ),
    }),
  ],
  fields: [
    textField('words', 'Words', 'words', 48, true),
    textField('when', 'When', 'when', 28, false, 'How long, or at what time'),
  ],
};
