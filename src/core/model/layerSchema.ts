import * as yup from 'yup';
import { pathDataOutline } from '../display/shapes';
import { EASES } from '../eases';
import { POINT_NAMES } from '../frame/points';
import { SAFE_AREA_IDS } from '../frame/safeAreas';
import { HOLD_MOVES } from '../holdMoves';
import { AXIS_TAG, MOST_AXES } from '../faces/axisTags';
import { FOLD_EDGES } from '../moves/fold';
import { MOVES } from '../moves';
import { PIVOTS } from '../moves/move';
import { PATTERNS } from '../patterns';
import { ORDERS } from '../orders';
import { CREDIT_PAIRS, creditRowsSchema, ROLL_WAYS } from './credits';
import {
  designColour,
  exactly,
  flag,
  id,
  idOf,
  idOrNull,
  listOf,
  number,
  numberOrNull,
  oneOfShapes,
  opacity,
  text,
  variant,
  word,
} from './schemaParts';
import { CHAIN_RHYTHMS, PARTICLE_FORMS, SPREADS, UNIT_KINDS } from './template';

const style = {
  face: yup.string().min(1).max(64),
  weight: yup.number().min(1).max(1000),
  width: yup.number().min(25).max(200),
  sizeU: yup.number().min(1).max(4000),
  tracking: yup.number().min(-500).max(5000),
  leading: yup.number().min(0.2).max(10),
  letterCase: yup.string().oneOf(['typed', 'capitals', 'smallCapitals']),
  fill: designColour.optional(),
  shift: yup.number().min(-2000).max(2000),
  figures: yup.string().oneOf(['font', 'tabular', 'oldStyle']),
  ligatures: yup.boolean(),
  fractions: yup.boolean(),
};

const MOST_FEATURES = 40;
const isPlace = ([name, value]: readonly [string, unknown]): boolean =>
  AXIS_TAG.test(name) && typeof value === 'number' && Math.abs(value) <= 32_768;
/** What a style says only where it is not as usual. */
const unusual = {
  features: yup.array().of(yup.string().required().matches(AXIS_TAG)).max(MOST_FEATURES).default(undefined),
  axes: yup
    .object()
    .default(undefined)
    .test('axes', 'needs figures by the tags of axes', (value: object | undefined) => {
      const places = Object.entries(value ?? {});
      return places.length <= MOST_AXES && places.every(isPlace);
    }),
};

const wholeStyle = exactly({
  ...Object.fromEntries(Object.entries(style).map(([key, schema]) => [key, schema.required()])),
  ...unusual,
});
const lineNumber = number(-500, 500).integer();
const sign = yup.string().required().min(1).max(8);

/** What a part that is styled apart stands for; left out for what it plainly is. */
const partMeaning = yup.lazy((value: unknown) =>
  value === undefined
    ? yup.mixed().optional()
    : oneOfShapes('kind', {
        whole: variant(),
        line: variant({ number: lineNumber }),
        linesFrom: variant({ number: lineNumber }),
        firstWord: variant(),
        lastWord: variant(),
        between: variant({ open: sign, close: sign }),
        words: variant(),
      }),
);

const partStyle = yup
  .object({ ...style, ...unusual })
  .noUnknown()
  .default(undefined);

const area = variant();
const place = exactly({
  point: word(POINT_NAMES),
  target: oneOfShapes('kind', {
    ...Object.fromEntries(SAFE_AREA_IDS.map((name) => [name, area])),
    layer: variant({ layerId: id }),
  }),
  targetPoint: word(POINT_NAMES),
  dxU: number(-10000, 10000),
  dyU: number(-10000, 10000),
  rotateDegrees: number(-3600, 3600),
  scaleX: number(-20, 20),
  scaleY: number(-20, 20),
  keepInside: yup
    .string()
    .defined()
    .nullable()
    .oneOf([...SAFE_AREA_IDS, null]),
  pin: yup.array().of(number(-10000, 10000)).defined().nullable().length(8),
});

const stop = exactly({ at: opacity, colour: designColour, opacity });
const look = exactly({
  gradient: exactly({
    shape: word(['linear', 'radial', 'conic']),
    angleDegrees: number(-3600, 3600),
    stops: yup.array().of(stop).required().min(2).max(12),
  }).nullable(),
  picture: idOrNull,
  outlines: listOf(
    exactly({
      side: word(['inside', 'centre', 'outside']),
      widthU: number(0, 400),
      colour: designColour,
      opacity,
    }),
    12,
  ),
  shadows: listOf(
    exactly({
      kind: word(['drop', 'inner']),
      angleDegrees: number(-3600, 3600),
      distanceU: number(0, 1000),
      softnessU: number(0, 600),
      spreadU: number(0, 200),
      colour: designColour,
      opacity,
    }),
    12,
  ),
  glow: exactly({ sizeU: number(0, 600), colour: designColour, opacity }).nullable(),
  solid: exactly({
    depthU: number(0, 200),
    angleDegrees: number(-3600, 3600),
    colour: designColour,
    bevelU: number(0, 40),
  }).nullable(),
  blurAcrossU: number(0, 400),
  blurDownU: number(0, 400),
  reflection: exactly({ distanceU: number(-500, 1000), opacity, fade: number(0.01, 1) }).nullable(),
});

const params = yup
  .object()
  .required()
  .test('params', 'settings that are numbers, words or switches', (value) =>
    Object.values(value).every((param) => ['number', 'string', 'boolean'].includes(typeof param)),
  );

// So many moves can act together on one layer.
const MOST_MOVES = 8;

const pivot = yup
  .string()
  .defined()
  .nullable()
  .oneOf([...PIVOTS, null]);

const moveUse = exactly({
  move: idOf(MOVES),
  unit: word(UNIT_KINDS),
  order: idOf(ORDERS),
  seed: number(0, 1_000_000),
  ranks: listOf(number(0, 10_000), 400),
  overlap: opacity,
  gapSeconds: numberOrNull(0, 600),
  waits: flag,
  seenAtOnce: flag.default(undefined).optional(),
  spread: word(SPREADS),
  pivot: pivot,
  ease: idOf(EASES),
  startSeconds: number(0, 600),
  lengthSeconds: number(0, 600),
  unitSeconds: yup.number().min(0.01).max(600).nullable(),
  params,
});

const holdUse = exactly({
  move: idOf(HOLD_MOVES),
  unit: word(UNIT_KINDS),
  seed: number(0, 1_000_000),
  pivot: pivot,
  params,
});

const moves = listOf(moveUse, MOST_MOVES);
const outMoves = yup.lazy((value: unknown) => (typeof value === 'string' ? word(['mirror']) : moves));

const moment = exactly({
  from: word(['start', 'inEnd', 'hold', 'outStart', 'end'] as const),
  offsetSeconds: number(-600, 600),
  share: opacity,
});

const keyframe = exactly({
  moment,
  value: yup
    .mixed()
    .required()
    .test('value', 'a number, a word or a switch', (value) =>
      ['number', 'string', 'boolean'].includes(typeof value),
    ),
  way: word(['smooth', 'straight', 'round', 'stepped', 'spring'] as const),
  curve: yup.array().of(number(-10, 10)).required().length(4),
  spring: exactly({ overshoot: number(0, 0.95), reach: number(0.02, 1) })
    .default(undefined)
    .optional(),
});

const track = exactly({ path: yup.string().required().max(80), on: flag, keys: listOf(keyframe, 1000) });

/** What a layer's motion must be. */
export const motionSchema = exactly({
  in: moves,
  hold: listOf(holdUse, MOST_MOVES),
  out: outMoves,
  shutterDegrees: number(0, 720),
  perspectiveU: number(50, 100_000),
  turnX: number(-3600, 3600),
  turnY: number(-3600, 3600),
  fold: exactly({ edge: word(FOLD_EDGES), degrees: number(-3600, 3600), shade: opacity })
    .nullable()
    .default(undefined)
    .optional(),
  bend: exactly({
    leanDegrees: number(-80, 80),
    arcDegrees: number(-360, 360),
    waveU: number(-1000, 1000),
    waveLengthU: number(8, 8000),
    waveShift: number(-1000, 1000),
    noiseU: number(0, 1000),
    noiseSizeU: number(8, 8000),
    noiseShift: number(-1000, 1000),
    seed: number(0, 9999),
  })
    .nullable()
    .default(undefined)
    .optional(),
  tracks: listOf(track, 64),
  retime: exactly({
    kind: word(['speed', 'loop', 'thereAndBack', 'still', 'curve'] as const),
    within: yup.string().oneOf(['title', 'hold']),
    speed: number(-20, 20),
    fromSeconds: number(0, 600),
    spanSeconds: number(0.02, 600),
    curve: yup.array().of(number(-10, 10)).length(4).default(undefined).optional(),
  }).nullable(),
  span: exactly({ from: moment, to: moment }).nullable().default(undefined).optional(),
});

const base = {
  id,
  kind: yup.string().required(),
  name: yup.string().required().min(1).max(80),
  visible: flag,
  locked: yup.boolean(),
  keepsSide: yup.boolean(),
  followsMoves: yup.boolean(),
  opacity,
  place,
  look,
  finish: idOrNull,
  motion: motionSchema,
  matte: exactly({ layerId: id, by: word(['alpha', 'brightness'] as const), inverted: flag }).nullable(),
};

const extent = oneOfShapes('kind', {
  fixed: variant({ u: number(0.5, 10000) }),
  encloses: variant(),
  matches: variant({ layerId: id }),
  share: variant({ share: number(0, 4), of: word(SAFE_AREA_IDS) }),
  between: variant({ fromId: id, toId: id }),
});

const shape = oneOfShapes('kind', {
  rectangle: variant({
    radiiU: yup.array().of(number(0, 4000)).required().length(4),
    corner: word(['round', 'chamfer']),
  }),
  ellipse: variant(),
  line: variant({ thicknessU: number(0.1, 1000), rises: flag }),
  polygon: variant({ sides: number(3, 60).integer() }),
  star: variant({ points: number(3, 60).integer(), innerShare: number(0.05, 1) }),
  path: variant({
    data: yup
      .string()
      .required()
      .test('path', 'SVG path data that draws something, at most 200 000 characters', (data) => {
        return pathDataOutline(data) !== null;
      }),
  }),
});

const members = listOf(id, 200);
const side = number(1, 10000);

const kinds = {
  text: {
    runs: listOf(exactly({ text: text(10_000), style: partStyle, means: partMeaning }), 200),
    style: wholeStyle,
    fillOpacity: yup.number().min(0).max(1),
    align: word(['left', 'centre', 'right', 'justify']),
    columnU: numberOrNull(10, 8000),
    balanced: flag,
    hyphenates: yup.boolean(),
    highlight: exactly({
      colour: designColour,
      opacity,
      padAcrossU: number(-100, 400),
      padDownU: number(-100, 400),
      radiusU: number(0, 400),
    }).nullable(),
    maxWidthShare: number(0.05, 2),
    whenLong: listOf(
      oneOfShapes('kind', {
        wrap: variant({ maxLines: number(1, 40).integer() }),
        squeeze: variant({ minPercent: number(20, 100) }),
        shrink: variant({ minSizeU: number(1, 4000) }),
        cut: variant(),
      }),
      6,
    ),
  },
  box: {
    shape,
    fill: designColour,
    fillOpacity: opacity,
    width: extent,
    height: extent,
    limits: exactly({
      minWidthU: numberOrNull(0, 10000),
      maxWidthU: numberOrNull(0, 10000),
      minHeightU: numberOrNull(0, 10000),
      maxHeightU: numberOrNull(0, 10000),
    }),
    encloses: members,
    padding: exactly({
      leftU: number(-1000, 4000),
      topU: number(-1000, 4000),
      rightU: number(-1000, 4000),
      bottomU: number(-1000, 4000),
    }),
  },
  picture: {
    asset: idOrNull,
    sizing: word(['auto', 'fixed']),
    widthU: side,
    heightU: side,
    fit: word(['cover', 'contain', 'stretch']),
    view: exactly({ x: opacity, y: opacity, zoom: number(1, 50) })
      .nullable()
      .default(undefined)
      .optional(),
  },
  backdrop: {
    pattern: idOf(PATTERNS),
    colours: yup.array().of(designColour).required().min(1).max(8),
    seed: number(0, 9999),
    speed: number(0, 4),
    grain: number(0.1, 4),
  },
  particles: {
    style: word(['drift', 'burst']),
    count: number(1, 600).integer(),
    colour: designColour,
    endColour: designColour.default(undefined).optional(),
    form: word(PARTICLE_FORMS).default(undefined).optional(),
    picture: idOrNull.default(undefined).optional(),
    spinDegrees: number(0, 1440).default(undefined).optional(),
    turbulence: number(0, 1).default(undefined).optional(),
    sizeU: number(0.5, 200),
    speed: number(0, 8),
    seed: number(0, 9999),
    widthU: side,
    heightU: side,
  },
  programme: { widthU: side },
  light: { colour: designColour, widthU: side, heightU: side, travelU: number(0, 6000) },
  group: { members },
  stack: {
    members,
    direction: word(['down', 'along']),
    gapU: number(-400, 1000),
    align: word(['start', 'centre', 'end']),
  },
  copy: { of: id, delaySeconds: number(0, 60) },
  credits: {
    rows: creditRowsSchema,
    styles: exactly({ heading: wholeStyle, role: wholeStyle, name: wholeStyle, paragraph: wholeStyle }),
    pairs: word(CREDIT_PAIRS),
    align: word(['left', 'centre', 'right']),
    nameColumns: number(1, 4).integer(),
    widthShare: number(0.05, 1.5),
    heightShare: number(0.05, 4),
    gutterAt: number(0.1, 0.9),
    gutterU: number(0, 400),
    rowGapU: number(0, 400),
    sectionGapU: number(0, 1000),
    pictureHeightU: number(8, 1000),
    show: word(['roll', 'cards']),
    roll: exactly({
      way: word(ROLL_WAYS),
      ends: word(['off', 'stays']),
      staysSeconds: number(0, 600),
      slowsSeconds: number(0, 20).default(undefined).optional(),
      wholeLines: flag,
      leastSpacing: number(0.1, 1),
      mostSpacing: number(1, 5),
      leastSize: number(0.5, 1),
      mostSize: number(1, 2),
      softShare: number(0, 0.5),
    }),
    cards: exactly({ rhythm: word(['even', 'reading']), overlap: number(0, 1), repeatsHeading: flag }),
    besideMove: idOf(MOVES),
  },
  rows: {
    rows: text(20_000),
    columns: yup
      .array()
      .of(
        exactly({
          style: wholeStyle,
          align: word(['left', 'centre', 'right']),
          share: number(0.1, 20),
          counts: yup.boolean(),
          bar: exactly({
            of: number(0, 7).integer(),
            zero: number(-1e12, 1e12),
            full: yup.number().min(-1e12).max(1e12).nullable().defined(),
            heightShare: number(0.05, 1),
            radiusU: number(0, 300),
          })
            .nullable()
            .default(undefined)
            .optional(),
        }),
      )
      .required()
      .min(1)
      .max(8),
    widthShare: number(0.05, 1.5),
    rowHeightU: number(8, 600),
    gapU: number(-50, 400),
    padU: number(0, 300),
    plate: designColour,
    plateOpacity: opacity,
    plateRadiusU: number(0, 300),
    maxRows: number(1, 100).integer(),
    pages: yup.boolean(),
    grows: yup.boolean(),
    earlierOpacity: yup.number().min(0.1).max(1),
    chain: exactly({
      rhythm: word(CHAIN_RHYTHMS),
      everySeconds: number(0.1, 3600),
      overlap: number(0, 1),
      round: flag,
      fills: yup.boolean(),
    })
      .nullable()
      .default(undefined)
      .optional(),
  },
};

/** A layer of any kind. */
export const layerSchema = oneOfShapes(
  'kind',
  Object.fromEntries(Object.entries(kinds).map(([kind, own]) => [kind, exactly({ ...base, ...own })])),
);
