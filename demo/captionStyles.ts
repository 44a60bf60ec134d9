import { PLAIN_LOOK } from '@/core/model/look';
import { newStackLayer } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import type { Template } from '@/core/model/template';
import { barlow, box, EMPTY, FOUR_SHAPES, inShape, place, text, textField } from './layers';

const CAPTION = {
  ...EMPTY,
  kind: 'caption',
  production: 'Channel Osier',
  formats: [...FOUR_SHAPES],
  rate: '25',
  // There at once and gone at once.
  timing: { inSeconds: 0.01, holdSeconds: 4, outSeconds: 0.01 },
} as const;

/** One dark band behind the whole caption, with who speaks above what is said. */
export const bandedCaptions: Template = {
  ...CAPTION,
  name: 'Banded captions',
  description: 'One plate behind all lines; who speaks stands above, smaller.',
  backdrop: 'harbour-dusk',
  layers: [
    text({
      id: 'speaker',
      name: 'Speaker',
      reads: 'Ilse Marrow',
      style: barlow(600, 34, '#f0d9a2', { face: 'hanken-grotesk', leading: 1.2 }),
      place: place('bottom', { kind: 'titleSafe' }, 'bottom'),
      align: 'centre',
      motion: motionOf(null, 'mirror'),
      maxWidthShare: 0.8,
    }),
    text({
      id: 'words',
      name: 'Words',
      reads: 'You listen to the wood.\nIt tells you when it is ready.',
      style: barlow(600, 48, '#ffffff', { face: 'hanken-grotesk', leading: 1.22 }),
      place: place('bottom', { kind: 'titleSafe' }, 'bottom'),
      align: 'centre',
      motion: motionOf(null, 'mirror'),
      maxWidthShare: 0.86,
      balanced: true,
      whenLong: [
        { kind: 'wrap', maxLines: 4 },
        { kind: 'shrink', minSizeU: 30 },
      ],
    }),
    {
      ...newStackLayer('lines', 'Speaker and words', ['speaker', 'words']),
      place: place('bottom', { kind: 'titleSafe' }, 'bottom', 0, -14),
      gapU: 2,
      align: 'centre',
    },
    box({
      id: 'band',
      name: 'Band',
      fill: '#0a1a21',
      fillOpacity: 0.82,
      place: place('bottom', { kind: 'titleSafe' }, 'bottom', 0, -14),
      encloses: ['lines'],
      padding: { leftU: 26, topU: 10, rightU: 26, bottomU: 14 },
      shape: { kind: 'rectangle', radiiU: [6, 6, 6, 6], corner: 'round' },
      motion: motionOf(null, 'mirror'),
    }),
  ],
  fields: [
    textField('words', 'Words', 'words', 400, true),
    textField('speaker', 'Speaker', 'speaker', 80, false, 'Shown when it is filled'),
  ],
  overrides: [
    inShape('tall', 'words', 'style.sizeU', 46),
    inShape('tall', 'words', 'maxWidthShare', 92),
    inShape('square', 'words', 'style.sizeU', 44),
    inShape('square', 'words', 'maxWidthShare', 90),
  ],
};

/** White words with a hard outline and nothing behind them. */
export const outlinedCaptions: Template = {
  ...CAPTION,
  name: 'Outlined captions',
  description: 'Words with a dark outline and a soft shade, for pictures that must stay seen.',
  backdrop: 'weir',
  layers: [
    text({
      id: 'words',
      name: 'Words',
      reads: 'At the Upper Weir the current\nis stronger than it was last year.',
      style: barlow(700, 50, '#fffdf4', { face: 'hanken-grotesk', leading: 1.2 }),
      place: place('bottom', { kind: 'titleSafe' }, 'bottom', 0, -6),
      align: 'centre',
      motion: motionOf(null, 'mirror'),
      maxWidthShare: 0.9,
      balanced: true,
      look: {
        ...PLAIN_LOOK,
        outlines: [{ side: 'outside', widthU: 5, colour: '#10181c', opacity: 1 }],
        shadows: [
          {
            kind: 'drop',
            angleDegrees: 90,
            distanceU: 0,
            softnessU: 14,
            spreadU: 4,
            colour: '#05090b',
            opacity: 0.85,
          },
        ],
      },
      whenLong: [
        { kind: 'wrap', maxLines: 4 },
        { kind: 'shrink', minSizeU: 30 },
      ],
    }),
  ],
  fields: [textField('words', 'Words', 'words', 400, true)],
  overrides: [inShape('tall', 'words', 'style.sizeU', 48), inShape('square', 'words', 'style.sizeU', 46)],
};
