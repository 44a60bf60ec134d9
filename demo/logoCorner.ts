import { PLAIN_LOOK } from '@/core/model/look';
import { newGroupLayer } from '@/core/model/newLayers';
import type { PropertySetting, Template } from '@/core/model/template';
import type { PointName } from '@/core/frame/points';
import {
  barlow,
  box,
  EMPTY,
  FOUR_SHAPES,
  moveUse,
  onLayer,
  place,
  shade,
  shadowed,
  text,
  textField,
} from './layers';
import { motionOf } from '@/core/model/newMove';

const side = (point: PointName, dxU: number): PropertySetting[] => [
  { layerId: 'ring', path: 'place.point', value: point },
  { layerId: 'ring', path: 'place.targetPoint', value: point },
  { layerId: 'word', path: 'place.point', value: point === 'topRight' ? 'right' : 'left' },
  { layerId: 'word', path: 'place.targetPoint', value: point === 'topRight' ? 'left' : 'right' },
  { layerId: 'word', path: 'place.dxU', value: dxU },
];

/** The channel's leaf in a ring, in a top corner, with a word beside it when there is one. */
export const logoCorner: Template = {
  ...EMPTY,
  // A channel's mark stays in its corner whatever is written beside it.
  mirroring: { ...EMPTY.mirroring, when: 'never' },
  name: 'Logo corner',
  kind: 'corner-logo',
  production: 'Channel Osier',
  description:
    'The leaf of the channel in a top corner. Stays as long as it is stretched; a word such as “live” is optional.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'harbour-dusk',
  timing: { inSeconds: 0.8, holdSeconds: 8, outSeconds: 0.6 },
  layers: [
    { ...newGroupLayer('logo', 'Logo', ['leaf', 'rib', 'ring', 'word', 'shade']), opacity: 0.9 },
    text({
      id: 'word',
      name: 'Word',
      reads: 'live',
      style: barlow(700, 44, '#ffffff', { letterCase: 'capitals', tracking: 120, leading: 1 }),
      place: place('right', onLayer('ring'), 'left', -16, 0),
      maxWidthShare: 0.3,
      look: shadowed(1, 14, '#000000', 0.7),
      motion: motionOf(moveUse('fade', [0.4, 0.4]), 'mirror'),
    }),
    box({
      id: 'rib',
      name: 'Rib',
      fill: '#10303c',
      place: place('centre', onLayer('leaf'), 'centre'),
      shape: { kind: 'line', thicknessU: 3, rises: true },
      width: { kind: 'fixed', u: 30 },
      height: { kind: 'fixed', u: 34 },
      motion: motionOf(moveUse('fade', [0.3, 0.4]), 'mirror'),
    }),
    box({
      id: 'leaf',
      name: 'Leaf',
      fill: '#e3b94f',
      place: place('centre', onLayer('ring'), 'centre'),
      shape: { kind: 'path', data: 'M0 100 C0 40 40 0 100 0 C100 60 60 100 0 100 Z' },
      width: { kind: 'fixed', u: 54 },
      height: { kind: 'fixed', u: 54 },
      look: {
        ...PLAIN_LOOK,
        gradient: {
          shape: 'linear',
          angleDegrees: 45,
          stops: [
            { at: 0, colour: '#f7e3a6', opacity: 1 },
            { at: 1, colour: '#b8862a', opacity: 1 },
          ],
        },
      },
      motion: motionOf(moveUse('turn', [0.1, 0.6], { params: { turnDegrees: -180 } }), 'mirror'),
    }),
    box({
      id: 'ring',
      name: 'Ring',
      fill: '#10303c',
      fillOpacity: 0.75,
      place: place('topRight', { kind: 'titleSafe' }, 'topRight'),
      shape: { kind: 'ellipse' },
      width: { kind: 'fixed', u: 96 },
      height: { kind: 'fixed', u: 96 },
      look: {
        ...shadowed(2, 18, '#000000', 0.5),
        outlines: [{ side: 'inside', widthU: 3, colour: '#e3b94f', opacity: 1 }],
      },
      motion: motionOf(moveUse('fade', [0, 0.5]), 'mirror'),
    }),
    shade('shade', ['word'], 60),
  ],
  fields: [
    { ...textField('word', 'Word beside it', 'word', 16, false, 'live, repeat, or nothing') },
    {
      id: 'side',
      label: 'Side',
      kind: 'choice',
      help: '',
      required: false,
      section: '',
      automatic: null,
      targets: [],
      limits: {
        choices: [
          { value: 'right', label: 'Right', sets: side('topRight', -16) },
          { value: 'left', label: 'Left', sets: side('topLeft', 16) },
        ],
      },
    },
  ],
};
