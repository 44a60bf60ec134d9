import { newCreditsLayer, newProgrammeLayer } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import type { CreditsLayer, Template } from '@/core/model/template';
import { REGATTA_CREDITS } from './credits';
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

const NEW: CreditsLayer = newCreditsLayer('credits', 'Credits');
const SQUEEZE = motionOf(moveUse('squeeze', [0, 1], { ease: 'glide' }), 'mirror');

/** The programme makes room for its credits and goes on beside them, with what comes next below it. */
export const besideRoll: Template = {
  ...EMPTY,
  name: 'Beside roll',
  kind: 'credits',
  production: 'Channel Osier',
  description:
    'The programme gets smaller and goes on beside its credits. In a file for the mixer its place is a hole.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'weir',
  timing: { inSeconds: 1.2, holdSeconds: 22, outSeconds: 1 },
  coverSeconds: 9,
  layers: [
    {
      ...newProgrammeLayer('programme', 'Programme', 1060),
      place: place('left', { kind: 'titleSafe' }, 'left', 0, -70),
      motion: SQUEEZE,
    },
    text({
      id: 'next',
      name: 'What comes next',
      reads: 'Next: Night Ferry, 21:40',
      style: fraunces(600, 46, '#f3e3bd'),
      place: place('topLeft', onLayer('programme'), 'bottomLeft', 0, 34),
      maxWidthShare: 0.5,
      motion: motionOf(moveUse('rise', [0.9, 0.3]), moveUse('fade', [0, 0.3])),
    }),
    {
      ...NEW,
      rows: REGATTA_CREDITS.slice(0, 40),
      styles: {
        heading: barlow(700, 44, '#f3cf72', { tracking: 30, leading: 1.3 }),
        role: barlow(400, 36, '#bcd3d0', { leading: 1.2 }),
        name: barlow(600, 40, '#ffffff', { leading: 1.2 }),
        paragraph: barlow(400, 34, '#bcd3d0', { leading: 1.3 }),
      },
      align: 'left',
      pairs: 'stacked',
      nameColumns: 1,
      widthShare: 0.34,
      rowGapU: 18,
      sectionGapU: 70,
      pictureHeightU: 120,
      place: place('right', { kind: 'titleSafe' }, 'right'),
    },
    box({
      id: 'ground',
      name: 'Ground',
      fill: '#0d2b2e',
      width: { kind: 'share', share: 1, of: 'frame' },
      height: { kind: 'share', share: 1, of: 'frame' },
      place: place('centre', { kind: 'frame' }, 'centre'),
      motion: motionOf(null, null),
    }),
  ],
  fields: [textField('next', 'What comes next', 'next', 60, false, 'Left empty: nothing is said')],
  overrides: [
    inShape('tall', 'programme', 'widthU', 500),
    inShape('tall', 'credits', 'widthShare', 40),
    inShape('tall', 'next', 'style.sizeU', 38),
    inShape('square', 'programme', 'widthU', 500),
    inShape('square', 'next', 'style.sizeU', 34),
    inShape('square', 'credits', 'widthShare', 40),
    inShape('classic', 'programme', 'widthU', 650),
    inShape('classic', 'next', 'style.sizeU', 38),
    inShape('classic', 'credits', 'widthShare', 38),
    inShape('ultra', 'programme', 'widthU', 1360),
  ],
};
