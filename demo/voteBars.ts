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
  place,
  shadowed,
  text,
  textField,
} from './layers';
import { motionOf } from '@/core/model/newMove';

/** Shares or results: rows with a bar and a figure that count up together, on a panel that grows with them. */
export const voteBars: Template = {
  ...EMPTY,
  name: 'Vote bars',
  kind: 'list',
  production: 'Lantern Regatta',
  description:
    'Shares or results as bars from one zero. Bars and figures count up row by row, and the panel grows with the rows that are there; more than five go on to a second page.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'night-deck',
  timing: { inSeconds: 2.6, holdSeconds: 8, outSeconds: 0.8 },
  layers: [
    text({
      id: 'heading',
      name: 'Heading',
      reads: 'The finest lantern boat',
      style: fraunces(600, 66, '#fff6e2', { leading: 1.25 }),
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      maxWidthShare: 0.56,
      motion: motionOf(moveUse('rise', [0.2, 0.6], { unit: 'word', overlap: 0.6 }), 'mirror'),
    }),
    {
      ...newRowsLayer('shares', 'Shares'),
      rows: 'Heron\t41 %\nMarsh Lantern\t33 %\nQuiet Gudgeon\t19 %\nSecond Thought\t7 %',
      columns: [
        { style: barlow(500, 44, '#ffffff'), align: 'left', share: 4.4 },
        {
          style: barlow(500, 44, '#e3b94f'),
          align: 'left',
          share: 5,
          bar: { of: 1, zero: 0, full: null, heightShare: 0.46, radiusU: 3 },
        },
        {
          style: barlow(700, 44, '#f0d9a2', { figures: 'tabular' }),
          align: 'right',
          share: 1.6,
          counts: true,
        },
      ],
      widthShare: 0.56,
      rowHeightU: 68,
      gapU: 8,
      padU: 14,
      plate: '#1c5160',
      plateOpacity: 0.5,
      plateRadiusU: 3,
      maxRows: 5,
      pages: true,
      grows: true,
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft'),
      motion: motionOf(
        moveUse('count-up', [0.6, 1.9], { unit: 'row', overlap: 0.6, ease: 'settle' }),
        moveUse('fade', [0, 0.6], { unit: 'row', order: 'backward', overlap: 0.6 }),
      ),
    },
    {
      ...newStackLayer('list', 'Heading and shares', ['heading', 'shares']),
      place: place('bottomLeft', { kind: 'titleSafe' }, 'bottomLeft', 40, -40),
      gapU: 12,
    },
    box({
      id: 'panel',
      name: 'Panel',
      fill: '#10303c',
      fillOpacity: 0.93,
      place: place('bottomLeft', { kind: 'titleSafe' }, 'bottomLeft'),
      encloses: ['list'],
      padding: { leftU: 40, topU: 28, rightU: 40, bottomU: 40 },
      look: shadowed(8, 40, '#04141b', 0.5),
      motion: motionOf(moveUse('rise', [0, 0.6], { params: { from: 'below' } }), 'mirror'),
    }),
  ],
  fields: [
    { ...textField('heading', 'Heading', 'heading', 40, true), section: 'Head' },
    {
      id: 'shares',
      label: 'Shares',
      kind: 'rows',
      help: 'What it is of and its figure; the bar follows the figure.',
      required: true,
      section: 'Shares',
      automatic: null,
      targets: [{ layerId: 'shares', path: 'rows' }],
      limits: {},
    },
  ],
  overrides: (['tall', 'square', 'classic'] as const).flatMap((shape) => {
    const wide = shape === 'classic' ? 80 : 88;
    return [inShape(shape, 'shares', 'widthShare', wide), inShape(shape, 'heading', 'maxWidthShare', wide)];
  }),
};
