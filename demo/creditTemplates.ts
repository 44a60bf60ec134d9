import { newCreditsLayer } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import type { CreditsLayer, Template } from '@/core/model/template';
import { REGATTA_CREDITS } from './credits';
import { barlow, box, EMPTY, FOUR_SHAPES, fraunces, inShape, moveUse, onLayer, place } from './layers';

const NEW = newCreditsLayer('credits', 'Credits');

const credits = (parts: Partial<CreditsLayer>): CreditsLayer => ({ ...NEW, ...parts });

/** A roll in two columns that meet at a gutter, over the last picture darkened. */
export const harbourRoll: Template = {
  ...EMPTY,
  name: 'Harbour roll',
  kind: 'credits',
  production: 'Lantern Regatta',
  description: 'Roles and names meet at a gutter and roll upwards in whole lines, whatever the length.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'night-deck',
  timing: { inSeconds: 0.6, holdSeconds: 22.8, outSeconds: 0.6 },
  layers: [
    credits({
      rows: REGATTA_CREDITS.slice(0, 40),
      styles: {
        heading: barlow(700, 46, '#f3cf72', { tracking: 30, leading: 1.3 }),
        role: barlow(400, 40, '#cfdbd9', { leading: 1.25 }),
        name: barlow(600, 40, '#ffffff', { leading: 1.25 }),
        paragraph: barlow(400, 34, '#cfdbd9', { leading: 1.35 }),
      },
      // Beside it there is room for pictures.
      widthShare: 0.64,
      nameColumns: 2,
      rowGapU: 6,
      pictureHeightU: 150,
      place: place('centre', { kind: 'frame' }, 'centre'),
    }),
    box({
      id: 'ground',
      name: 'Dark ground',
      fill: '#071318',
      fillOpacity: 0.86,
      width: { kind: 'share', share: 1, of: 'frame' },
      height: { kind: 'share', share: 1, of: 'frame' },
      place: place('centre', { kind: 'frame' }, 'centre'),
      motion: motionOf(moveUse('fade', [0, 0.6]), 'mirror'),
    }),
  ],
  fields: [],
  overrides: [
    inShape('tall', 'credits', 'widthShare', 96),
    inShape('tall', 'credits', 'pairs', 'stacked'),
    inShape('tall', 'credits', 'nameColumns', 1),
    inShape('tall', 'credits', 'pictureHeightU', 190),
    inShape('square', 'credits', 'widthShare', 94),
    inShape('classic', 'credits', 'widthShare', 92),
  ],
};

/** Pages of credits on a panel, one after another, as long as each is read. */
export const creditCards: Template = {
  ...EMPTY,
  name: 'Credit cards',
  kind: 'credits',
  production: 'Kiln and Clay',
  description: 'Pages that follow one another, cut where the sense allows, each as long as it is read.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'lock-gates',
  timing: { inSeconds: 0.8, holdSeconds: 30.4, outSeconds: 0.8 },
  layers: [
    credits({
      rows: REGATTA_CREDITS.slice(0, 13),
      styles: {
        heading: fraunces(600, 54, '#7c3a12', { leading: 1.2 }),
        role: barlow(400, 34, '#5a4632', { leading: 1.2, letterCase: 'capitals', tracking: 60 }),
        name: fraunces(500, 44, '#2a1a0e', { leading: 1.2 }),
        paragraph: barlow(400, 34, '#5a4632', { leading: 1.35 }),
      },
      show: 'cards',
      pairs: 'stacked',
      nameColumns: 2,
      widthShare: 0.6,
      heightShare: 0.8,
      rowGapU: 16,
      sectionGapU: 40,
      cards: { rhythm: 'reading', overlap: 0.5, repeatsHeading: true },
      place: place('centre', { kind: 'frame' }, 'centre'),
      motion: motionOf(
        moveUse('fade', [0.4, 0.4], { unit: 'row' }),
        moveUse('fade', [0, 0.4], { unit: 'row' }),
      ),
    }),
    box({
      id: 'slip',
      name: 'Paper',
      fill: '#f2e6d2',
      fillOpacity: 0.97,
      encloses: ['credits'],
      padding: { leftU: 48, topU: 24, rightU: 48, bottomU: 24 },
      place: place('centre', onLayer('credits'), 'centre'),
      motion: motionOf(moveUse('rise', [0, 0.6]), 'mirror'),
    }),
  ],
  fields: [],
  overrides: [
    inShape('tall', 'credits', 'widthShare', 86),
    inShape('tall', 'credits', 'nameColumns', 1),
    inShape('square', 'credits', 'widthShare', 80),
    inShape('classic', 'credits', 'widthShare', 74),
  ],
};

/** A roll that goes away into the night, its lines ever smaller. */
export const farRoll: Template = {
  ...EMPTY,
  name: 'Far roll',
  kind: 'credits',
  production: 'Night Ferry',
  description: 'A roll that lies on the water and goes away towards the far shore, its lines ever smaller.',
  formats: [...FOUR_SHAPES, 'ultra-1080'],
  rate: '25',
  backdrop: 'night-deck',
  timing: { inSeconds: 1, holdSeconds: 22, outSeconds: 1 },
  layers: [
    credits({
      rows: REGATTA_CREDITS.slice(0, 40),
      styles: {
        heading: fraunces(600, 62, '#f0d9a2', { leading: 1.25 }),
        role: barlow(400, 46, '#b9c7cf', { leading: 1.2 }),
        name: barlow(600, 50, '#ffffff', { leading: 1.2 }),
        paragraph: barlow(400, 42, '#b9c7cf', { leading: 1.3 }),
      },
      align: 'centre',
      pairs: 'stacked',
      nameColumns: 1,
      widthShare: 0.5,
      heightShare: 1.9,
      rowGapU: 22,
      sectionGapU: 120,
      place: place('bottom', { kind: 'frame' }, 'bottom', 0, 180),
      motion: { ...motionOf(null, null), turnX: 48, perspectiveU: 1500 },
      roll: { ...NEW.roll, softShare: 0.16 },
    }),
    box({
      id: 'ground',
      name: 'Night',
      fill: '#050b12',
      fillOpacity: 0.82,
      width: { kind: 'share', share: 1, of: 'frame' },
      height: { kind: 'share', share: 1, of: 'frame' },
      place: place('centre', { kind: 'frame' }, 'centre'),
      motion: motionOf(moveUse('fade', [0, 1]), 'mirror'),
    }),
  ],
  fields: [],
  overrides: [
    inShape('tall', 'credits', 'widthShare', 52),
    inShape('tall', 'credits', 'styles.name.sizeU', 38),
    inShape('tall', 'credits', 'styles.role.sizeU', 34),
    inShape('tall', 'credits', 'styles.heading.sizeU', 48),
    inShape('square', 'credits', 'widthShare', 60),
    inShape('classic', 'credits', 'widthShare', 56),
    inShape('ultra', 'credits', 'widthShare', 40),
  ],
};
