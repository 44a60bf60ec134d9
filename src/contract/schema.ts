import * as yup from 'yup';

/** A type that nothing changes, in every depth. */
type DeepReadonly<T> = T extends object ? { readonly [K in keyof T]: DeepReadonly<T[K]> } : T;

/** The type of what a schema accepts. */
export type TypeOf<T extends yup.Schema> = DeepReadonly<yup.InferType<T>>;

// What the core checks has its own types; descriptions ask for the schema that they were checked by.
const PARTS = new WeakMap<object, yup.Schema>();

/** A document of the core inside an answer: its type, and the schema that it is checked by. */
export function documentOf<T extends object>(schema: yup.Schema): yup.MixedSchema<T> {
  const part = yup.mixed<T>().required();
  PARTS.set(part, schema);
  return part;
}

/** The schema that a document inside an answer is checked by; undefined for any other schema. */
export function partOf(schema: object): yup.Schema | undefined {
  return PARTS.get(schema);
}

export const text = (): yup.StringSchema<string> => yup.string().defined();
export const whole = (): yup.NumberSchema<number> => yup.number().required().integer();
export const figure = (): yup.NumberSchema<number> => yup.number().required();
export const flag = (): yup.BooleanSchema<boolean> => yup.boolean().required();
/** A moment as ISO 8601 says it. */
export const moment = (): yup.StringSchema<string> => yup.string().required();
export const momentOrNull = () => yup.string().defined().nullable();
export const texts = () => yup.array().of(yup.string().defined()).required();
/** SHA-256 in hexadecimal. */
export const sha256 = (): yup.StringSchema<string> =>
  yup
    .string()
    .required()
    .matches(/^[0-9a-f]{64}$/);
