import type { Template } from '@/core/model/template';
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
import { bandedCaptions, outlinedCaptions } from './captionStyles';
import { chapterCard } from './chapterCard';
import { creditCards, farRoll, harbourRoll } from './creditTemplates';
import { besideRoll } from './besideRoll';
import { heatBoard } from './heatBoard';
import { logoCorner } from './logoCorner';
import { placeChain } from './placeChain';
import { pointList } from './pointList';
import { quoteSlip } from './quoteSlip';
import { ribbonBumper } from './ribbonBumper';
import { slateCorner } from './slateCorner';
import { voteBars } from './voteBars';

const PANEL_COLOURS = [
  { value: '#10303c', label: 'Deep water' },
  { value: '#6d2a2c', label: 'Hull red' },
  { value: '#3c4a22', label: 'Reed green' },
];

export const tidelineStrap: Template = {
  ...EMPTY,
  name: 'Tideline strap',
  kind: 'name-strap',
  production: 'Lantern Regatta',
  description: 'Name and role on a panel that fits the text. Moves in from the left, one word after another.',
  formats: [...FOUR_SHAPES],
  rate: '25',
  backdrop: 'harbour-dusk',
  timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 0.8 },
  layers: [
    text({
      id: 'name',
      name: 'Name line',
      reads: 'Ilse Marrow',
      style: barlow(600, 84, '#ffffff', { leading: 1.04, tracking: 4 }),
      place: place('bottomLeft', { kind: 'titleSafe' }, 'bottomLeft', 30, -74),
      motion: motionOf(moveUse('rise', [0.2, 0.65], { unit: 'word', overlap: 0.55 }), 'mirror'),
    }),
    text({
      id: 'role',
      name: 'Role line',
      reads: 'Lockkeeper, Osier Reach',
      style: barlow(400, 46, '#f0d9a2', { leading: 1.14, tracking: 8 }),
      place: place('topLeft', onLayer('name'), 'bottomLeft', 0, 0),
      whenLong: [
        { kind: 'squeeze', minPercent: 82 },
        { kind: 'shrink', minSizeU: 34 },
      ],
      motion: motionOf(moveUse('rise', [0.4, 0.6], { unit: 'line' }), 'mirror'),
    }),
    box({
      id: 'edge',
      name: 'Gold edge',
      fill: '#e3b94f',
      place: place('topLeft', onLayer('panel'), 'topLeft', 0, 0),
      width: { kind: 'fixed', u: 8 },
      height: { kind: 'matches', layerId: 'panel' },
      motion: motionOf(
        moveUse('wipe', [0, 0.45], { ease: 'glide', params: { angleDegrees: -90, softU: 6 } }),
        'mirror',
      ),
    }),
    box({
      id: 'panel',
      name: 'Panel',
      fill: '#10303c',
      fillOpacity: 0.94,
      place: place('bottomLeft', { kind: 'titleSafe' }, 'bottomLeft'),
      encloses: ['name', 'role'],
      padding: { leftU: 30, topU: 10, rightU: 40, bottomU: 18 },
      motion: motionOf(moveUse('rise', [0.1, 0.7], { params: { from: 'left' } }), 'mirror'),
      look: shadowed(6, 28, '#04141b', 0.45),
    }),
  ],
  fields: [
    textField('name', 'Name', 'name', 40, true, 'As the person writes it'),
    textField('role', 'Role', 'role', 48, false, 'Leave empty for a name on its own'),
    {
      id: 'panel-colour',
      label: 'Panel colour',
      kind: 'colour',
      help: '',
      required: false,
      section: '',
      automatic: null,
      targets: [{ layerId: 'panel', path: 'fill' }],
      limits: { choices: PANEL_COLOURS },
    },
  ],
};

export const placeCorner: Template = {
  ...EMPTY,
  name: 'Place corner',
  kind: 'place-date',
  production: 'Lantern Regatta',
  description: 'Where and when, top right, on the picture itself. A fine rule grows beside it.',
  formats: [...FOUR_SHAPES],
  rate: '25',
  backdrop: 'weir',
  timing: { inSeconds: 0.8, holdSeconds: 3, outSeconds: 0.6 },
  layers: [
    text({
      id: 'place',
      name: 'Place',
      reads: 'Osier Reach',
      style: barlow(600, 64, '#ffffff', { letterCase: 'capitals', tracking: 60, leading: 1.06 }),
      align: 'right',
      place: place('topRight', { kind: 'titleSafe' }, 'topRight', -28, 8),
      look: shadowed(2, 22, '#000000', 0.75),
      motion: motionOf(
        moveUse('slide', [0.1, 0.7], {
          unit: 'letter',
          order: 'backward',
          overlap: 0.85,
          params: { angleDegrees: 0, distanceU: 46, fades: true },
        }),
        'mirror',
      ),
    }),
    text({
      id: 'when',
      name: 'Date or tide',
      reads: 'low water 14:20',
      style: barlow(500, 42, '#ffffff', { tracking: 14, leading: 1.2 }),
      align: 'right',
      place: place('topRight', onLayer('place'), 'bottomRight', 0, 2),
      look: shadowed(2, 18, '#000000', 0.8),
      motion: motionOf(moveUse('fade', [0.35, 0.45]), 'mirror'),
    }),
    box({
      id: 'rule',
      name: 'Rule',
      fill: '#e3b94f',
      place: place('topRight', { kind: 'titleSafe' }, 'topRight', 0, 0),
      width: { kind: 'fixed', u: 6 },
      height: { kind: 'encloses' },
      encloses: ['place', 'when'],
      padding: { leftU: 0, topU: -8, rightU: 0, bottomU: -6 },
      motion: motionOf(moveUse('rise', [0, 0.5], { params: { from: 'above' } }), 'mirror'),
    }),
    shade('shade', ['place', 'when'], 90),
  ],
  fields: [
    textField('place', 'Place', 'place', 32, true),
    textField('when', 'Date or tide', 'when', 36, false, 'A date, a time, or low and high water'),
  ],
};

export const openingLockup: Template = {
  ...EMPTY,
  name: 'Opening lockup',
  kind: 'opener',
  production: 'Lantern Regatta',
  description: 'The name of the programme in the middle, large, with a line under it between two gold rules.',
  formats: [...FOUR_SHAPES],
  rate: '25',
  backdrop: 'lock-gates',
  timing: { inSeconds: 1.4, holdSeconds: 2.8, outSeconds: 1 },
  layers: [
    text({
      id: 'title',
      name: 'Title',
      reads: 'Lantern Regatta',
      style: {
        ...barlow(600, 156, '#fff6e2'),
        face: 'fraunces',
        tracking: -8,
        leading: 1.08,
      },
      align: 'centre',
      maxWidthShare: 0.86,
      whenLong: [
        { kind: 'wrap', maxLines: 2 },
        { kind: 'shrink', minSizeU: 80 },
      ],
      place: place('centre', { kind: 'frame' }, 'centre', 0, -36),
      motion: motionOf(moveUse('rise', [0.15, 0.9], { unit: 'letter', overlap: 0.88 }), 'mirror'),
    }),
    text({
      id: 'line',
      name: 'Line under it',
      reads: 'Day two',
      style: barlow(500, 54, '#f0d9a2', { letterCase: 'capitals', tracking: 220, leading: 1.2 }),
      align: 'centre',
      place: place('top', onLayer('title'), 'bottom', 0, 22),
      motion: motionOf(
        moveUse('tracking-close', [0.6, 0.8], { unit: 'letter', overlap: 1, params: { wide: 26 } }),
        'mirror',
      ),
    }),
    box({
      id: 'rule-left',
      name: 'Left rule',
      fill: '#e3b94f',
      place: place('right', onLayer('line'), 'left', -28, 0),
      width: { kind: 'fixed', u: 120 },
      height: { kind: 'fixed', u: 4 },
      motion: motionOf(moveUse('wipe', [0.6, 0.6], { params: { angleDegrees: 180, softU: 20 } }), 'mirror'),
    }),
    box({
      id: 'rule-right',
      name: 'Right rule',
      fill: '#e3b94f',
      place: place('left', onLayer('line'), 'right', 28, 0),
      width: { kind: 'fixed', u: 120 },
      height: { kind: 'fixed', u: 4 },
      motion: motionOf(moveUse('wipe', [0.6, 0.6], { params: { angleDegrees: 0, softU: 20 } }), 'mirror'),
    }),
    box({
      id: 'plate',
      name: 'Plate',
      fill: '#0c1f29',
      fillOpacity: 0.82,
      place: place('centre', { kind: 'frame' }, 'centre'),
      encloses: ['title', 'line', 'rule-left', 'rule-right'],
      padding: { leftU: 84, topU: 44, rightU: 84, bottomU: 52 },
      shape: { kind: 'rectangle', radiiU: [4, 4, 4, 4], corner: 'round' },
      motion: motionOf(moveUse('fade', [0, 0.7]), 'mirror'),
      look: {
        ...shadowed(12, 60, '#020a0f', 0.5),
        outlines: [{ side: 'centre', widthU: 3, colour: '#e3b94f', opacity: 1 }],
      },
    }),
  ],
  fields: [
    textField('title', 'Title', 'title', 40, true),
    textField('line', 'Line under it', 'line', 28, false, 'A day, a part, a place'),
    {
      id: 'plate-colour',
      label: 'Plate colour',
      kind: 'colour',
      help: '',
      required: false,
      section: '',
      automatic: null,
      targets: [{ layerId: 'plate', path: 'fill' }],
      limits: {},
    },
  ],
};

/** Every demo template, as the shelf is first filled. */
export const DEMO_TEMPLATES: readonly Template[] = [
  tidelineStrap,
  placeCorner,
  openingLockup,
  quoteSlip,
  heatBoard,
  ribbonBumper,
  chapterCard,
  slateCorner,
  logoCorner,
  pointList,
  voteBars,
  placeChain,
  bandedCaptions,
  outlinedCaptions,
  harbourRoll,
  farRoll,
  creditCards,
  besideRoll,
];
