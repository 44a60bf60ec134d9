import * as yup from 'yup';
import { EASES } from '../eases';
import { InputError } from '../kit/inputError';
import type { Registry } from '../kit/registry';
import { FORMATS } from '../layout/formats';
import { POINT_NAMES } from '../layout/points';
import { MOVES } from '../moves';
import { SCENES } from '../scenes';
import { ORDERS } from '../timeline/orders';
import { RATES } from '../units/rates';
import { checkValue } from './check';
import { TEMPLATE_KINDS } from './kinds';
import type { Layer, Template } from './template';
import { TEMPLATE_VERSION, UNIT_KINDS } from './template';

const number = (min: number, max: number): yup.NumberSchema<number> =>
  yup.number().required().min(min).max(max);
const text = (max: number): yup.StringSchema<string> => yup.string().defined().max(max);
const id = yup.string().required().min(1).max(64);
const colour = yup
  .string()
  .required()
  .matches(/^#[0-9a-f]{6}$/);
const opacity = number(0, 1);
const idOf = (registry: Registry<{ readonly id: string }>): yup.StringSchema<string> =>
  yup
    .string()
    .required()
    .oneOf(registry.list.map((item) => item.id));

/** An object with exactly these properties. */
function exactly(shape: yup.ObjectShape): yup.ObjectSchema<object> {
  return yup.object(shape).noUnknown().required();
}

/** One of several shapes, told apart by a property. */
function oneOfShapes(tag: string, shapes: Readonly<Record<string, yup.Schema>>): yup.Lazy<unknown> {
  return yup.lazy((value: unknown) => {
    const name = typeof value === 'object' && value !== null ? Reflect.get(value, tag) : undefined;
    const known = typeof name === 'string' && Object.hasOwn(shapes, name) ? shapes[name] : undefined;
    return known ?? exactly({ [tag]: yup.string().required().oneOf(Object.keys(shapes)) });
  });
}

const style = {
  face: yup.string().min(1).max(64),
  weight: yup.number().min(1).max(1000),
  sizeU: yup.number().min(1).max(4000),
  tracking: yup.number().min(-500).max(5000),
  leading: yup.number().min(0.2).max(10),
  letterCase: yup.string().oneOf(['typed', 'capitals']),
  fill: yup.string().matches(/^#[0-9a-f]{6}$/),
};

const wholeStyle = exactly(
  Object.fromEntries(Object.entries(style).map(([key, schema]) => [key, schema.required()])),
);
const partStyle = yup.object(style).noUnknown().default(undefined);

const place = exactly({
  point: yup.string().required().oneOf(POINT_NAMES),
  target: oneOfShapes('kind', {
    frame: exactly({ kind: yup.string() }),
    titleSafe: exactly({ kind: yup.string() }),
    actionSafe: exactly({ kind: yup.string() }),
    layer: exactly({ kind: yup.string(), layerId: id }),
  }),
  targetPoint: yup.string().required().oneOf(POINT_NAMES),
  dxU: number(-10000, 10000),
  dyU: number(-10000, 10000),
});

const shadow = exactly({
  angleDegrees: number(-360, 360),
  distanceU: number(0, 500),
  softnessU: number(0, 400),
  colour,
  opacity,
}).nullable();

const moveUse = exactly({
  move: idOf(MOVES),
  unit: yup.string().required().oneOf(UNIT_KINDS),
  order: idOf(ORDERS),
  overlap: opacity,
  ease: idOf(EASES),
  startSeconds: number(0, 600),
  lengthSeconds: number(0, 600),
  params: yup
    .object()
    .required()
    .test('params', 'settings that are numbers, words or switches', (value) =>
      Object.values(value).every((param) => ['number', 'string', 'boolean'].includes(typeof param)),
    ),
});

const outMove = yup.lazy((value: unknown) =>
  typeof value === 'string' ? yup.string().required().oneOf(['mirror']) : moveUse.nullable(),
);

const base = {
  id,
  kind: yup.string().required(),
  name: yup.string().required().min(1).max(80),
  visible: yup.boolean().required(),
  opacity,
  place,
  shadow,
  motion: exactly({ in: moveUse.nullable(), out: outMove }),
};

const extent = oneOfShapes('kind', {
  fixed: exactly({ kind: yup.string(), u: number(0.5, 10000) }),
  encloses: exactly({ kind: yup.string() }),
  matches: exactly({ kind: yup.string(), layerId: id }),
});

const layer = oneOfShapes('kind', {
  text: exactly({
    ...base,
    runs: yup
      .array()
      .of(exactly({ text: text(10_000), style: partStyle }))
      .required()
      .max(200),
    style: wholeStyle,
    align: yup.string().required().oneOf(['left', 'centre', 'right']),
    maxWidthShare: number(0.05, 2),
    whenLong: yup
      .array()
      .of(
        oneOfShapes('kind', {
          wrap: exactly({ kind: yup.string(), maxLines: number(1, 40).integer() }),
          squeeze: exactly({ kind: yup.string(), minPercent: number(20, 100) }),
          shrink: exactly({ kind: yup.string(), minSizeU: number(1, 4000) }),
        }),
      )
      .required()
      .max(6),
  }),
  box: exactly({
    ...base,
    fill: colour,
    fillOpacity: opacity,
    radiusU: number(0, 2000),
    outline: exactly({ widthU: number(0, 200), colour }).nullable(),
    width: extent,
    height: extent,
    encloses: yup.array().of(id).required().max(200),
    padding: exactly({
      leftU: number(-1000, 4000),
      topU: number(-1000, 4000),
      rightU: number(-1000, 4000),
      bottomU: number(-1000, 4000),
    }),
  }),
});

const field = exactly({
  id,
  label: yup.string().required().min(1).max(60),
  kind: yup.string().required().oneOf(['text', 'colour', 'number', 'choice']),
  help: text(200),
  required: yup.boolean().required(),
  targets: yup
    .array()
    .of(exactly({ layerId: id, path: id }))
    .required()
    .min(1)
    .max(50),
  limits: yup
    .object({
      maxLength: yup.number().integer().min(1).max(10_000),
      min: yup.number(),
      max: yup.number(),
      choices: yup
        .array()
        .of(exactly({ value: id, label: text(60) }))
        .max(60),
    })
    .noUnknown()
    .required(),
});

const template = exactly({
  version: yup.number().required().oneOf([TEMPLATE_VERSION]),
  name: yup.string().required().min(1).max(80),
  kind: idOf(TEMPLATE_KINDS),
  production: text(80),
  description: text(400),
  formats: yup.array().of(idOf(FORMATS)).required().min(1).max(FORMATS.list.length),
  rate: idOf(RATES),
  backdrop: yup
    .string()
    .required()
    .max(64)
    .test(
      'backdrop',
      'a stand-in picture or an uploaded still',
      (value) => value.startsWith('asset:') || SCENES.find(value) !== undefined,
    ),
  timing: exactly({
    inSeconds: number(0.01, 60),
    holdSeconds: number(0, 3600),
    outSeconds: number(0.01, 60),
  }),
  layers: yup.array().of(layer).required().max(500),
  fields: yup.array().of(field).required().max(200),
});

/**
 * A template document from outside, once every part of it has been checked, references included.
 * Throws InputError; a document from a later version says so rather than listing what it has too much.
 */
export function parseTemplate(value: unknown, where = 'Template'): Template {
  const version = typeof value === 'object' && value !== null ? Reflect.get(value, 'version') : undefined;
  if (typeof version === 'number' && version > TEMPLATE_VERSION) {
    const advice = 'It was made with a later Gilder; bring this one up to date to open it.';
    throw InputError.of(`${where}, version`, `version ${TEMPLATE_VERSION} or earlier`, version, advice);
  }
  const parsed = checkValue<Template>(template, value, where);
  checkReferences(parsed, where);
  return parsed;
}

function checkReferences(parsed: Template, where: string): void {
  const ids = new Set<string>();
  for (const one of parsed.layers) {
    if (ids.has(one.id)) throw InputError.of(`${where}, layer "${one.name}"`, 'an id of its own', one.id);
    ids.add(one.id);
  }
  for (const one of parsed.layers) {
    for (const reference of referencesOf(one)) {
      if (!ids.has(reference)) {
        throw InputError.of(`${where}, layer "${one.name}"`, 'a layer of this template', reference);
      }
    }
  }
  for (const one of parsed.fields) {
    for (const target of one.targets) {
      if (!ids.has(target.layerId)) {
        throw InputError.of(`${where}, field "${one.label}"`, 'a layer of this template', target.layerId);
      }
    }
  }
}

function referencesOf(one: Layer): string[] {
  const attached = one.place.target.kind === 'layer' ? [one.place.target.layerId] : [];
  if (one.kind !== 'box') return attached;
  const matched = [one.width, one.height].flatMap((e) => (e.kind === 'matches' ? e.layerId : []));
  return [...attached, ...matched, ...one.encloses];
}
