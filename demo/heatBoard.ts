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

const figures = { figures: 'tabular' } as const;

/** The order of a heat: a heading and up to six boats, with their times lined up. */
export const heatBoard: Template = {
  ...EMPTY,
  name: 'Heat board',
  kind: 'list',
  production: 'Lantern Regatta',
  description:
    'The order of a heat: up to six boats with their times. Rows come one after another and leave together.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'weir',
  timing: { inSeconds: 1.6, holdSeconds: 9.6, outSeconds: 0.8 },
  layers: [
    text({
      id: 'heading',
      name: 'Heading',
      reads: 'Second heat',
      style: fraunces(600, 78, '#fff6e2', { leading: 1.1 }),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      maxWidthShare: 0.5,
      motion: motionOf(moveUse('rise', [0.2, 0.6], { unit: 'word', overlap: 0.5 }), 'mirror'),
    }),
    text({
      id: 'note',
      name: 'Note',
      reads: 'Four-oared gigs · Upper Weir',
      style: barlow(500, 40, '#f0d9a2', { tracking: 12, leading: 1.5 }),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      maxWidthShare: 0.5,
      motion: motionOf(moveUse('fade', [0.4, 0.5]), 'mirror'),
    }),
    {
      ...newRowsLayer('boats', 'Boats'),
      rows: '1\tHeron\t4:12.6\n2\tMarsh Lantern\t4:13.1\n3\tQuiet Gudgeon\t4:15.8\n4\tSecond Thought\t4:21.0',
      columns: [
        { style: barlow(700, 48, '#e3b94f', figures), align: 'right', share: 0.8 },
        { style: barlow(500, 48, '#ffffff'), align: 'left', share: 6 },
        { style: barlow(500, 48, '#f0d9a2', figures), align: 'right', share: 2.2 },
      ],
      widthShare: 0.5,
      rowHeightU: 70,
      gapU: 6,
      padU: 18,
      plate: '#1c5160',
      plateOpacity: 0.55,
      plateRadiusU: 3,
      maxRows: 6,
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      motion: motionOf(
        moveUse('slide', [0.45, 1.1], {
          unit: 'row',
          overlap: 0.72,
          params: { angleDegrees: 180, distanceU: 70 },
        }),
        moveUse('fade', [0.1, 0.5], { unit: 'row', overlap: 1 }),
      ),
    },
    {
      ...newStackLayer('list', 'Board', ['heading', 'note', 'boats']),
      place: place('left', { kind: 'titleSafe' }, 'left', 44, 0),
      gapU: 8,
    },
    box({
      id: 'edge',
      name: 'Gold edge',
      fill: '#e3b94f',
      place: place('topLeft', onLayer('panel'), 'topLeft'),
      width: { kind: 'matches', layerId: 'panel' },
      height: { kind: 'fixed', u: 6 },
      motion: motionOf(moveUse('rise', [0, 0.5], { params: { from: 'left' } }), 'mirror'),
    }),
    box({
      id: 'panel',
      name: 'Panel',
      fill: '#10303c',
      fillOpacity: 0.92,
      place: place('left', { kind: 'titleSafe' }, 'left'),
      encloses: ['list'],
      padding: { leftU: 44, topU: 34, rightU: 44, bottomU: 44 },
      look: shadowed(8, 40, '#04141b', 0.5),
      motion: motionOf(moveUse('rise', [0, 0.7], { params: { from: 'above' } }), 'mirror'),
    }),
  ],
  fields: [
    { ...textField('heading', 'Heading', 'heading', 32, true), section: 'Head' },
    {
      ...textField('note', 'Note', 'note', 48, false, 'Class and place; leave empty for none'),
      section: 'Head',
    },
    {
      id: 'boats',
      label: 'Boats',
      kind: 'rows',
      help: 'Place, boat, time. Rows can be pasted from a spreadsheet.',
      required: true,
      section: 'Order',
      automatic: null,
      targets: [{ layerId: 'boats', path: 'rows' }],
      limits: {},
    },
  ],
  overrides: (['tall', 'square', 'classic'] as const).flatMap((shape) => {
    const wide = shape === 'classic' ? 80 : 88;
    return [
      inShape(shape, 'boats', 'widthShare', wide),
      inShape(shape, 'heading', 'maxWidthShare', wide),
      inShape(shape, 'note', 'maxWidthShare', wide),
    ];
  }),
};
