import * as yup from 'yup';
import { InputError } from '../kit/inputError';
import { FORMATS, SHAPES } from '../frame/formats';
import { SCENES } from '../scenes';
import { RATES } from '../time/rates';
import { checkValue } from './check';
import { TEMPLATE_KINDS } from './kinds';
import { layerSchema } from './layerSchema';
import { referencesOf } from './references';
import {
  exactly,
  flag,
  id,
  idOf,
  languageTag,
  listOf,
  number,
  oneOfShapes,
  text,
  variant,
  word,
} from './schemaParts';
import { tagsSchema } from './tags';
import type { Template } from './template';
import { MIRROR_WHEN } from './mirroring';
import { AUTOMATIC_SOURCES, FIELD_KINDS, TEMPLATE_VERSION } from './template';
import { upgradeTemplate } from './upgradeTemplate';

const fieldValue = yup
  .mixed()
  .test('value', 'a word, a number or a switch', (value) =>
    ['string', 'number', 'boolean'].includes(typeof value),
  );

const setting = { layerId: id, path: id, value: fieldValue };

const limits = yup
  .object({
    maxLength: yup.number().integer().min(1).max(10_000),
    maxLines: yup.number().integer().min(1).max(100),
    allowed: yup.string().oneOf(['any', 'letters', 'figures', 'capitals']),
    min: yup.number(),
    max: yup.number(),
    step: yup.number().moreThan(0),
    unit: yup.string().max(20),
    pattern: yup.string().min(1).max(60),
    choices: yup
      .array()
      .of(
        exactly({
          value: id,
          label: text(60),
          sets: yup.array().of(exactly(setting)).max(60).default(undefined),
        }),
      )
      .max(60),
  })
  .noUnknown()
  .required();

const LONGEST_WORDS = 10_000;
const field = exactly({
  id,
  label: yup.string().required().min(1).max(60),
  kind: word(FIELD_KINDS),
  help: text(200),
  required: flag,
  section: text(60),
  automatic: yup
    .string()
    .defined()
    .nullable()
    .oneOf([...AUTOMATIC_SOURCES, null]),
  targets: listOf(exactly({ layerId: id, path: id }), 50),
  limits,
  defaultWords: yup.string().max(LONGEST_WORDS),
  language: languageTag,
});

const share = number(0, 0.45);

/** Title-safe areas of one's own, by format. */
export const areasSchema = listOf(
  exactly({ format: idOf(FORMATS), left: share, top: share, right: share, bottom: share }),
  24,
);

/** How long its notes can be. */
export const LONGEST_NOTES = 2000;

/** What is checked of it when it comes from outside. */
export const templateSchema = exactly({
  version: yup.number().required().oneOf([TEMPLATE_VERSION]),
  name: yup.string().required().min(1).max(80),
  kind: idOf(TEMPLATE_KINDS),
  production: text(80),
  description: text(400),
  tags: tagsSchema,
  notes: yup.string().max(LONGEST_NOTES),
  coverSeconds: yup.number().min(0).max(3720),
  formats: yup.array().of(idOf(FORMATS)).required().min(1).max(24),
  rate: idOf(RATES),
  backdrop: yup
    .string()
    .required()
    .max(64)
    .test(
      'backdrop',
      'a stand-in picture, an uploaded still or a plain colour',
      (value) =>
        value.startsWith('asset:') || /^#[0-9a-f]{6}$/.test(value) || SCENES.find(value) !== undefined,
    ),
  timing: exactly({
    inSeconds: number(0.01, 60),
    holdSeconds: number(0, 3600),
    outSeconds: number(0.01, 60),
  }),
  layers: listOf(layerSchema, 500),
  fields: listOf(field, 200),
  overrides: listOf(
    exactly({
      ...setting,
      scope: oneOfShapes('kind', {
        format: variant({ id: idOf(FORMATS) }),
        shape: variant({ id: word(SHAPES) }),
      }),
    }),
    2000,
  ),
  areas: areasSchema,
  marks: listOf(number(0, 600), 400),
  markNames: yup.array().of(text(60)).max(400).default(undefined).optional(),
  guides: listOf(exactly({ axis: word(['x', 'y']), atU: number(-10000, 10000) }), 100),
  mirroring: exactly({ when: word(MIRROR_WHEN), places: flag, forms: flag, rows: flag, moves: flag })
    .default(undefined)
    .optional(),
  sound: exactly({
    source: yup
      .string()
      .required()
      .matches(/^(speech|media:[0-9a-f]{24}-[a-z0-9]{3,4})$/, 'the speech stand-in or a sound that is kept'),
    name: yup.string().required().min(1).max(120),
  })
    .default(undefined)
    .optional(),
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
  const parsed = checkValue<Template>(templateSchema, upgradeTemplate(value), where);
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
    const { targets, limits: limited } = one;
    for (const target of [...targets, ...(limited.choices ?? []).flatMap((choice) => choice.sets ?? [])]) {
      if (!ids.has(target.layerId)) {
        throw InputError.of(`${where}, field "${one.label}"`, 'a layer of this template', target.layerId);
      }
    }
  }
}
