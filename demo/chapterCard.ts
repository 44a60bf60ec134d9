import { newBackdropLayer, newParticlesLayer } from '@/core/model/newLayers';
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
  text,
  textField,
} from './layers';
import { motionOf } from '@/core/model/newMove';

/** A full card between two parts: the number, the title, water below and sparks above it. */
export const chapterCard: Template = {
  ...EMPTY,
  name: 'Chapter card',
  kind: 'chapter',
  production: 'Night Ferry',
  description: 'A full card between two parts of a film. Fills the frame, so it needs no picture below it.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'night-deck',
  timing: { inSeconds: 1.4, holdSeconds: 3.4, outSeconds: 1 },
  layers: [
    text({
      id: 'number',
      name: 'Number',
      reads: 'Part two',
      style: barlow(500, 46, '#e3b94f', { letterCase: 'capitals', tracking: 260, leading: 1.4 }),
      align: 'centre',
      maxWidthShare: 0.8,
      place: place('bottom', onLayer('title'), 'top', 0, -6),
      motion: motionOf(moveUse('fade', [0.3, 0.6]), 'mirror'),
    }),
    text({
      id: 'title',
      name: 'Title',
      reads: 'The hour between two tides',
      style: fraunces(400, 132, '#fff6e2', { leading: 1.12, tracking: -8 }),
      align: 'centre',
      balanced: true,
      maxWidthShare: 0.74,
      whenLong: [{ kind: 'wrap', maxLines: 3 }, { kind: 'shrink', minSizeU: 64 }, { kind: 'cut' }],
      place: place('centre', { kind: 'frame' }, 'centre', 0, -90),
      motion: motionOf(
        moveUse('focus', [0.3, 1.1], { unit: 'word', overlap: 0.75, ease: 'glide', params: { blurU: 48 } }),
        'mirror',
      ),
    }),
    box({
      id: 'rule',
      name: 'Rule',
      fill: '#e3b94f',
      place: place('top', onLayer('title'), 'bottom', 0, 26),
      width: { kind: 'fixed', u: 160 },
      height: { kind: 'fixed', u: 4 },
      motion: motionOf(moveUse('wipe', [0.7, 0.6], { params: { angleDegrees: 0, softU: 40 } }), 'mirror'),
    }),
    {
      ...newParticlesLayer('sparks', 'Sparks'),
      count: 46,
      colour: '#f4d48a',
      sizeU: 6,
      speed: 0.8,
      widthU: 1900,
      heightU: 900,
      opacity: 0.7,
      place: place('centre', { kind: 'frame' }, 'centre', 0, -60),
      motion: motionOf(moveUse('fade', [0.4, 0.8]), 'mirror'),
    },
    {
      ...newBackdropLayer('water', 'Water'),
      pattern: 'waves',
      colours: ['#081a23', '#0d2b38', '#123a47', '#0a222d'],
      speed: 0.7,
      motion: motionOf(moveUse('fade', [0, 0.5]), moveUse('fade', [0.5, 0.5])),
    },
  ],
  fields: [
    textField('title', 'Title', 'title', 60, true),
    textField('number', 'Above it', 'number', 28, false, 'Part, chapter or evening'),
    {
      id: 'water',
      label: 'Water',
      kind: 'colour',
      help: '',
      required: false,
      section: '',
      automatic: null,
      // The two darkest parts of the water go together.
      targets: [
        { layerId: 'water', path: 'colours.0' },
        { layerId: 'water', path: 'colours.3' },
      ],
      limits: {
        choices: [
          { value: '#081a23', label: 'Night' },
          { value: '#10303c', label: 'Deep water' },
          { value: '#2a1416', label: 'Hull' },
        ],
      },
    },
  ],
  overrides: [
    inShape('tall', 'title', 'maxWidthShare', 92),
    inShape('tall', 'title', 'style.sizeU', 116),
    inShape('square', 'title', 'maxWidthShare', 90),
    inShape('square', 'title', 'style.sizeU', 112),
    inShape('classic', 'title', 'maxWidthShare', 88),
  ],
};
