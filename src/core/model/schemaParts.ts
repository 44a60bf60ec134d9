import * as yup from 'yup';
import { COLOUR_VALUE } from '../colour/houseColour';
import type { Registry } from '../kit/registry';
import { isLanguageTag } from '../faces/language';
import './schemaWords';

/** A number that must be there, in a range. */
export const number = (min: number, max: number): yup.NumberSchema<number> =>
  yup.number().required().min(min).max(max);

/** A number in a range, or null. */
export const numberOrNull = (min: number, max: number): yup.Schema =>
  yup.number().defined().nullable().min(min).max(max);

/** A text that must be there, however short. */
export const text = (max: number): yup.StringSchema<string> => yup.string().defined().max(max);

export const id = yup.string().required().min(1).max(64);
/** The id of a delivery; cells of titles are named by it. */
export const deliveryId = id.matches(/^[\w-]+$/);
export const idOrNull = yup.string().defined().nullable().min(1).max(64);
export const colour = yup
  .string()
  .required()
  .matches(/^#[0-9a-f]{6}$/);
/** A colour in a design: a figure, or that and the colour of the House that it is. */
export const designColour = yup
  .string()
  .required()
  .matches(COLOUR_VALUE, 'a colour such as #10303c, or #10303c@deep-water for one of the House');
export const opacity = number(0, 1);
export const flag = yup.boolean().required();

/** A language tag (BCP 47), or nothing. */
export const languageTag = yup
  .string()
  .max(35)
  .test('language', 'a language tag such as en or pt-BR', (tag) => tag === undefined || isLanguageTag(tag));

/** One of a list of words. */
export const word = (words: readonly string[]): yup.StringSchema<string> =>
  yup.string().required().oneOf(words);

/** The id of a variant of a family; families that also know ids that are not listed are asked for each. */
export const idOf = (registry: Registry<{ readonly id: string }>): yup.StringSchema<string> =>
  yup
    .string()
    .required()
    .meta({ examples: registry.list.map(({ id }) => id) })
    .test({
      name: 'known',
      message: `one of ${registry.list.map((item) => item.id).join(', ')}`,
      skipAbsent: true,
      test: (value) => registry.find(value) !== undefined,
    });

/** An object with exactly these properties. */
export function exactly(shape: yup.ObjectShape): yup.ObjectSchema<object> {
  return yup.object(shape).noUnknown().required();
}

/** A list of a schema's values. */
export function listOf(schema: yup.Schema | yup.Lazy<unknown>, most: number): yup.Schema {
  return yup.array().of(schema).required().max(most);
}

// A lazy schema says nothing of what it may become; descriptions of documents ask here.
const SHAPES = new WeakMap<object, Readonly<Record<string, yup.Schema>>>();

/** The shapes that a schema of several chooses from, by their tag; undefined for any other schema. */
export function shapesOf(schema: object): Readonly<Record<string, yup.Schema>> | undefined {
  return SHAPES.get(schema);
}

/** One of several shapes, told apart by a property. */
export function oneOfShapes(tag: string, shapes: Readonly<Record<string, yup.Schema>>): yup.Lazy<unknown> {
  const schema = yup.lazy((value: unknown) => {
    const name = typeof value === 'object' && value !== null ? Reflect.get(value, tag) : undefined;
    const known = typeof name === 'string' && Object.hasOwn(shapes, name) ? shapes[name] : undefined;
    return known ?? exactly({ [tag]: yup.string().required().oneOf(Object.keys(shapes)) });
  });
  SHAPES.set(schema, shapes);
  return schema;
}

/** A shape among several, with its tag. */
export function variant(shape: yup.ObjectShape = {}): yup.ObjectSchema<object> {
  return exactly({ kind: yup.string(), ...shape });
}
