import { newRowsLayer } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import type { Field, Template } from '@/core/model/template';
import { barlow, box, EMPTY, FOUR_SHAPES, inShape, moveUse, onLayer, place, shadowed } from './layers';

// The same forwards and backwards: the line that comes pushes the one that goes, without gap or overlap.
const PUSH = 'glide';

const places: Field = {
  id: 'places',
  label: 'Places',
  kind: 'rows',
  help: 'One a line; each pushes the one before away',
  required: true,
  section: '',
  automatic: null,
  targets: [{ layerId: 'places', path: 'rows' }],
  limits: {},
};

/** Places that push one another away in one corner, evenly over the title’s time or as they are tapped. */
export const placeChain: Template = {
  ...EMPTY,
  name: 'Place chain',
  kind: 'place-date',
  production: 'Night Ferry',
  description: 'One corner, any number of places: each pushes the one before it out, in an even rhythm.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '50',
  backdrop: 'night-deck',
  timing: { inSeconds: 0.9, holdSeconds: 8, outSeconds: 0.7 },
  layers: [
    {
      ...newRowsLayer('places', 'Places'),
      rows: 'Lantern Gate\nUpper Weir\nOsier Harbour',
      columns: [{ style: barlow(600, 58, '#fff6e2', { tracking: 6 }), align: 'left', share: 1 }],
      chain: { rhythm: 'even', everySeconds: 3, overlap: 1, round: false },
      widthShare: 0.34,
      rowHeightU: 84,
      gapU: 0,
      padU: 30,
      plateOpacity: 0,
      maxRows: 12,
      place: place('topLeft', { kind: 'titleSafe' }, 'topLeft', 12, 8),
      motion: motionOf(
        moveUse('rise', [0.4, 0.5], { unit: 'row', overlap: 1, ease: PUSH }),
        moveUse('rise', [0, 0.5], { unit: 'row', overlap: 1, ease: PUSH, params: { from: 'above' } }),
      ),
    },
    box({
      id: 'edge',
      name: 'Lamp',
      fill: '#e3b94f',
      place: place('topLeft', onLayer('plate'), 'topLeft'),
      width: { kind: 'fixed', u: 8 },
      height: { kind: 'matches', layerId: 'plate' },
      motion: motionOf(moveUse('rise', [0, 0.4], { params: { from: 'above' } }), 'mirror'),
    }),
    box({
      id: 'plate',
      name: 'Plate',
      fill: '#0b1a24',
      fillOpacity: 0.9,
      place: place('topLeft', onLayer('places'), 'topLeft', -12, -8),
      encloses: ['places'],
      padding: { leftU: 12, topU: 8, rightU: 12, bottomU: 8 },
      look: shadowed(6, 18, '#02070b', 0.4),
      motion: motionOf(moveUse('rise', [0.1, 0.5], { params: { from: 'left' } }), 'mirror'),
    }),
  ],
  fields: [places],
  overrides: [
    inShape('tall', 'places', 'widthShare', 76),
    inShape('square', 'places', 'widthShare', 56),
    inShape('classic', 'places', 'widthShare', 46),
  ],
};
