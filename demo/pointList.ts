import { newRowsLayer, newStackLayer } from '@/core/model/newLayers';
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

/** What a speaker goes through: a heading and up to five points that come one by one and leave together. */
export const pointList: Template = {
  ...EMPTY,
  name: 'Point list',
  kind: 'list',
  production: 'Kiln and Clay',
  description:
    'Up to five points beside a speaker. On the desk each is given its moment, tapped along with the speech.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '50',
  backdrop: 'reed-beds',
  timing: { inSeconds: 1.4, holdSeconds: 9, outSeconds: 0.7 },
  layers: [
    text({
      id: 'heading',
      name: 'Heading',
      reads: 'Three rules of the kiln',
      style: fraunces(600, 64, '#fff6e2', { leading: 1.3 }),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      maxWidthShare: 0.46,
      motion: motionOf(moveUse('rise', [0.2, 0.6], { unit: 'line' }), 'mirror'),
    }),
    {
      ...newRowsLayer('points', 'Points'),
      rows: '•\tLet it dry in the shade\n•\tWarm it slowly\n•\tOpen it cold',
      columns: [
        { style: barlow(700, 46, '#e3b94f'), align: 'left', share: 0.5 },
        { style: barlow(500, 46, '#ffffff'), align: 'left', share: 9 },
      ],
      widthShare: 0.46,
      rowHeightU: 78,
      gapU: 8,
      padU: 16,
      plate: '#3c4a22',
      plateOpacity: 0.92,
      plateRadiusU: 3,
      maxRows: 5,
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      motion: motionOf(
        moveUse('rise', [0.5, 0.9], { unit: 'row', overlap: 0.6, params: { from: 'left' } }),
        moveUse('fade', [0, 0.5], { unit: 'row', overlap: 1 }),
      ),
    },
    {
      ...newStackLayer('list', 'Heading and points', ['heading', 'points']),
      place: place('left', { kind: 'titleSafe' }, 'left', 36, 0),
      gapU: 10,
    },
    box({
      id: 'edge',
      name: 'Gold edge',
      fill: '#e3b94f',
      place: place('topLeft', onLayer('panel'), 'topLeft'),
      width: { kind: 'fixed', u: 6 },
      height: { kind: 'matches', layerId: 'panel' },
      motion: motionOf(moveUse('rise', [0, 0.5], { params: { from: 'above' } }), 'mirror'),
    }),
    box({
      id: 'panel',
      name: 'Panel',
      fill: '#1d2611',
      fillOpacity: 0.94,
      place: place('left', { kind: 'titleSafe' }, 'left'),
      encloses: ['list'],
      padding: { leftU: 36, topU: 22, rightU: 36, bottomU: 36 },
      look: shadowed(8, 40, '#0a0d05', 0.5),
      motion: motionOf(moveUse('wipe', [0, 0.6], { params: { angleDegrees: -90, softU: 40 } }), 'mirror'),
    }),
  ],
  fields: [
    { ...textField('heading', 'Heading', 'heading', 40, false), section: 'Head' },
    {
      id: 'points',
      label: 'Points',
      kind: 'rows',
      help: 'A bullet or a number, and a few words. Each gets its moment below.',
      required: true,
      section: 'Points',
      automatic: null,
      targets: [{ layerId: 'points', path: 'rows' }],
      limits: {},
    },
  ],
  overrides: (['tall', 'square', 'classic'] as const).flatMap((shape) => {
    const wide = shape === 'classic' ? 72 : 84;
    return [inShape(shape, 'points', 'widthShare', wide), inShape(shape, 'heading', 'maxWidthShare', wide)];
  }),
};
