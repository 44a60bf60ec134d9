import { tagsSchema } from './tags';
import * as yup from 'yup';
import type { ScriptFallback } from '../faces/fallback';
import { sameValue } from '../kit/sameValue';
import type { CaptionRules } from './captions';
import { captionRulesSchema, FIRST_CAPTIONS } from './captions';
import { checkValue } from './check';
import type { CreditRules } from './credits';
import { creditRulesSchema, FIRST_CREDITS } from './credits';
import { layerSchema, motionSchema } from './layerSchema';
import type { Look } from './look';
import { PLAIN_LOOK } from './look';
import { newBoxLayer, newTextLayer } from './newLayers';
import type { CheckRules, ReadingRules } from './rules';
import { checksSchema, FIRST_CHECKS, FIRST_READING, readingSchema } from './rules';
import {
  colour,
  designColour,
  exactly,
  id,
  languageTag,
  listOf,
  number,
  oneOfShapes,
  variant,
} from './schemaParts';
import type { SendPreset } from './sendPreset';
import { sendPresetsSchema } from './sendPreset';
import { areasSchema } from './templateSchema';
import type { BoxLayer, Highlight, Layer, Motion, OwnArea, TextStyle, Template } from './template';

/** A colour of the house, by name. */
interface HouseColour {
  readonly id: string;
  readonly name: string;
  readonly colour: string;
}

/** A saved style: what it gives to a text, or to a box. */
export type Finish =
  | {
      readonly kind: 'text';
      readonly id: string;
      readonly name: string;
      readonly look: Look;
      readonly style: TextStyle;
      /** Left out for letters that are wholly there. */
      readonly fillOpacity?: number;
      readonly highlight: Highlight | null;
    }
  | {
      readonly kind: 'box';
      readonly id: string;
      readonly name: string;
      readonly look: Look;
      readonly fill: string;
      readonly fillOpacity: number;
      readonly shape: BoxLayer['shape'];
      readonly padding: BoxLayer['padding'];
    };

/** Motion that was made on one layer and is kept, without its words, for others. */
export interface OwnMove {
  readonly id: string;
  readonly name: string;
  readonly motion: Motion;
  /** What it is kept with, in menus; left out for none. */
  readonly folder?: string;
  /** Words that it is found by; left out for none. */
  readonly tags?: readonly string[];
}

/** How long the name of a thing that is kept, and of its folder, can be. */
export const LONGEST_NAME = 60;

/** A face of the house, by what it is for. */
interface HouseFace {
  readonly id: string;
  readonly name: string;
  /** Id of a face in the font catalogue. */
  readonly face: string;
}

/** How titles without moves of their own fade. */
interface HouseTiming {
  readonly fadeInSeconds: number;
  readonly fadeOutSeconds: number;
}

/** The longest that a number of days says files are kept. */
export const MOST_FILES_DAYS = 3650;

/** The house style. */
export interface House {
  readonly colours: readonly HouseColour[];
  readonly faces: readonly HouseFace[];
  readonly finishes: readonly Finish[];
  readonly moves: readonly OwnMove[];
  readonly timing: HouseTiming;
  readonly reading: ReadingRules;
  readonly checks: CheckRules;
  /** What captions keep to; left out for usual practice. */
  readonly captions?: CaptionRules;
  /** What credits keep to; left out for usual practice. */
  readonly credits?: CreditRules;
  /** What titles are sent as, by name. */
  readonly presets?: readonly SendPreset[];
  /** For how many days finished files are kept; left out where they are kept until somebody deletes them. */
  readonly filesDays?: number;
  /** Title-safe areas that differ from the standards', for new templates and for checks. */
  readonly areas: readonly OwnArea[];
  /** The language of words (BCP 47) where nothing nearer says one. */
  readonly language?: string;
  /** The fonts that letters come from which a text's own font lacks, by script; left out for the usual order. */
  readonly fallbacks?: readonly ScriptFallback[];
}

/** What captions of a house keep to. */
export function captionRules({ captions }: Pick<House, 'captions'>): CaptionRules {
  return captions ?? FIRST_CAPTIONS;
}

/** What credits of a house keep to. */
export function creditRules({ credits }: Pick<House, 'credits'>): CreditRules {
  return credits ?? FIRST_CREDITS;
}

const name = yup.string().required().min(1).max(60);
const part = { id, name, kind: yup.string(), look: yup.object().required() };
/** What is checked of it when it comes from outside. */
/** By what else than its name a kept move is found. */
export const moveIsFound = {
  folder: yup.string().min(1).max(LONGEST_NAME),
  tags: tagsSchema,
};

export const houseSchema = exactly({
  colours: listOf(exactly({ id: id.matches(/^[\w-]+$/), name, colour }), 64),
  finishes: listOf(
    oneOfShapes('kind', {
      text: variant({
        ...part,
        style: yup.object().required(),
        fillOpacity: yup.number().min(0).max(1),
        highlight: yup.object().defined().nullable(),
      }),
      box: variant({
        ...part,
        fill: designColour,
        fillOpacity: yup.number().required().min(0).max(1),
        shape: yup.object().required(),
        padding: yup.object().required(),
      }),
    }),
    200,
  ),
  faces: listOf(exactly({ id, name, face: id }), 40),
  moves: listOf(exactly({ id, name, motion: motionSchema, ...moveIsFound }), 200),
  timing: exactly({ fadeInSeconds: number(0, 10), fadeOutSeconds: number(0, 10) }),
  reading: readingSchema,
  checks: checksSchema,
  captions: captionRulesSchema.default(undefined).optional(),
  credits: creditRulesSchema.default(undefined).optional(),
  presets: sendPresetsSchema.default(undefined).optional(),
  areas: areasSchema,
  filesDays: yup.number().integer().min(1).max(MOST_FILES_DAYS),
  language: languageTag,
  fallbacks: listOf(
    exactly({
      script: yup
        .string()
        .required()
        .matches(/^[A-Z][a-z]{3}$/),
      faces: listOf(id, 20),
    }),
    60,
  )
    .default(undefined)
    .optional(),
});

/** A house document from outside, checked; each finish by what it makes of a layer. Throws InputError. */
export function parseHouse(value: unknown, where = 'House'): House {
  const house = checkValue<House>(houseSchema, value, where);
  for (const finish of house.finishes) {
    const bare = finish.kind === 'text' ? newTextLayer('layer', 'Layer') : newBoxLayer('layer', 'Layer', []);
    checkValue(asSchema, { layer: applyFinish(bare, finish) }, `${where}, finish "${finish.name}"`);
  }
  return house;
}

const asSchema = exactly({ layer: layerSchema });

/** A layer with a finish put on; a layer of another kind is left as it is. A text keeps its own size. */
export function applyFinish(layer: Layer, finish: Finish): Layer {
  // A finish that was kept before a look had all that it has now is plain in the rest.
  const look = { ...PLAIN_LOOK, ...finish.look };
  if (layer.kind === 'text' && finish.kind === 'text') {
    const { style, highlight, fillOpacity = 1 } = finish;
    const { fillOpacity: _, ...bare } = layer;
    const hollow = fillOpacity === 1 ? bare : { ...bare, fillOpacity };
    return { ...hollow, finish: finish.id, look, highlight, style: { ...style, sizeU: layer.style.sizeU } };
  }
  if (layer.kind === 'box' && finish.kind === 'box') {
    const { fill, fillOpacity, shape, padding } = finish;
    return { ...layer, finish: finish.id, look, fill, fillOpacity, shape, padding };
  }
  return layer;
}

/**
 * A layer that looks like another: of the same kind, all that a finish has; of another, its outlines, shadows and other
 * effects. Words, sizes and places stay.
 */
export function withLookOf(layer: Layer, from: Layer): Layer {
  const { finish, look } = from;
  const alike = finishOf(from, finish ?? '', '');
  if (alike !== null && alike.kind === layer.kind) return { ...applyFinish(layer, alike), finish };
  return { ...layer, look, finish: null };
}

/** What a layer looks like, as a finish; null for a kind that takes none. */
export function finishOf(layer: Layer, finishId: string, finishName: string): Finish | null {
  const common = { id: finishId, name: finishName, look: layer.look };
  if (layer.kind === 'text') {
    const { style, highlight, fillOpacity = 1 } = layer;
    return { kind: 'text', ...common, style, highlight, ...(fillOpacity < 1 && { fillOpacity }) };
  }
  if (layer.kind !== 'box') return null;
  const { fill, fillOpacity, shape, padding } = layer;
  return { kind: 'box', ...common, fill, fillOpacity, shape, padding };
}

/** The template with a finish put anew on every layer that has it; the same template when nothing is otherwise then. */
export function updateFinish(template: Template, finish: Finish): Template {
  const layers = template.layers.map((layer) =>
    layer.finish === finish.id ? applyFinish(layer, finish) : layer,
  );
  return sameValue(layers, template.layers) ? template : { ...template, layers };
}

/** The house as it is first set up. */
export const FIRST_HOUSE: House = {
  colours: [
    { id: 'deep-water', name: 'Deep water', colour: '#10303c' },
    { id: 'lamp-gold', name: 'Lamp gold', colour: '#e3b94f' },
    { id: 'pale-sand', name: 'Pale sand', colour: '#f0d9a2' },
    { id: 'paper', name: 'Paper', colour: '#fff6e2' },
    { id: 'hull-red', name: 'Hull red', colour: '#6d2a2c' },
    { id: 'reed-green', name: 'Reed green', colour: '#3c4a22' },
    { id: 'night', name: 'Night', colour: '#0c1f29' },
  ],
  faces: [
    { id: 'heading', name: 'Names and headings', face: 'barlow-condensed' },
    { id: 'reading', name: 'Text to be read', face: 'hanken-grotesk' },
  ],
  finishes: [],
  moves: [],
  timing: { fadeInSeconds: 0.4, fadeOutSeconds: 0.4 },
  reading: FIRST_READING,
  checks: FIRST_CHECKS,
  areas: [],
};
