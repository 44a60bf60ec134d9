import { PLAIN_LOOK } from '../model/look';
import { FIRST_STYLE, newTextLayer, placeAt } from '../model/newLayers';
import { motionOf } from '../model/newMove';
import type { Override, Template } from '../model/template';
import { TEMPLATE_VERSION } from '../model/template';

/** The edition id of the captions that need no template: white on a plate of each line. */
export const PLAIN_CAPTION_ID = 'plain-captions';

const inShape = (id: 'tall' | 'square', path: string, value: number): Override => ({
  scope: { kind: 'shape', id },
  layerId: 'words',
  path,
  value,
});

/** What captions are painted as where their track has no template of its own. */
export const PLAIN_CAPTION: Template = {
  version: TEMPLATE_VERSION,
  name: 'Plain captions',
  kind: 'caption',
  production: '',
  description: 'White words, each line on a dark plate of its own, below on the title-safe line.',
  formats: ['wide-1080', 'tall-1080', 'square-1080', 'classic-1080'],
  rate: '25',
  backdrop: 'harbour-dusk',
  // There at once and gone at once, as captions are.
  timing: { inSeconds: 0.01, holdSeconds: 3, outSeconds: 0.01 },
  layers: [
    {
      ...newTextLayer('words', 'Words'),
      runs: [{ text: 'The water came over the wall\nof the old mill at four.' }],
      style: { ...FIRST_STYLE, face: 'hanken-grotesk', weight: 600, sizeU: 50, leading: 1.24 },
      align: 'centre',
      place: placeAt({ point: 'bottom', target: { kind: 'titleSafe' }, targetPoint: 'bottom' }),
      look: PLAIN_LOOK,
      motion: motionOf(null, 'mirror'),
      highlight: { colour: '#0b1114', opacity: 0.78, padAcrossU: 16, padDownU: 4, radiusU: 4 },
      maxWidthShare: 0.94,
      whenLong: [
        { kind: 'wrap', maxLines: 4 },
        { kind: 'shrink', minSizeU: 30 },
      ],
    },
  ],
  fields: [
    {
      id: 'words',
      label: 'Words',
      kind: 'text',
      help: '',
      required: true,
      section: '',
      automatic: null,
      targets: [{ layerId: 'words', path: 'text' }],
      limits: {},
    },
  ],
  overrides: [inShape('tall', 'style.sizeU', 48), inShape('square', 'style.sizeU', 46)],
  areas: [],
  guides: [],
  marks: [],
};
