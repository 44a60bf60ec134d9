import * as yup from 'yup';
import { shapesOf } from '../../core/model/schemaParts';
import { partOf } from '../schema';

/** A JSON Schema (draft 2020-12), as far as our schemas say. */
export type JsonSchema = Readonly<Record<string, unknown>>;

/** The schemas that are described once and referred to, with the names that they have. */
export type Named = ReadonlyMap<object, string>;

type AnySchema = yup.ISchema<unknown> | yup.Reference;

/**
 * What a Yup schema accepts, as a JSON Schema; schemas that have a name are referred to, but for the one that is asked
 * for. What only code can check is left out.
 */
export function jsonSchemaOf(schema: AnySchema, named: Named = new Map()): JsonSchema {
  const inner = (one: AnySchema): JsonSchema => {
    const name = named.get(partOf(one) ?? one);
    return name === undefined ? jsonSchemaOf(one, named) : { $ref: `#/components/schemas/${name}` };
  };
  const part = partOf(schema);
  if (part !== undefined) return inner(part);
  const shapes = shapesOf(schema);
  if (shapes !== undefined)
    return { oneOf: Object.entries(shapes).map(([kind, shape]) => withKind(inner(shape), kind)) };
  if (!(schema instanceof yup.Schema)) return {};
  const { oneOf, meta } = schema.describe();
  const examples: unknown = Reflect.get(Object(meta), 'examples');
  const body = {
    ...bodyOf(schema, inner),
    ...(oneOf.length > 0 ? { enum: oneOf } : {}),
    ...(examples === undefined ? {} : { examples }),
  };
  const type: unknown = Reflect.get(body, 'type');
  return schema.spec.nullable && typeof type === 'string' ? { ...body, type: [type, 'null'] } : body;
}

function withKind(shape: JsonSchema, kind: string): JsonSchema {
  return { ...shape, properties: { ...Object(shape.properties), kind: { const: kind } } };
}

/** The parameter that a check of a schema was made with, by the check's name. */
function paramOf(schema: yup.Schema, test: string, param = test): unknown {
  const found = schema.tests.find(({ OPTIONS }) => OPTIONS?.name === test);
  return found?.OPTIONS?.params?.[param];
}

const hasTest = (schema: yup.Schema, test: string): boolean =>
  schema.tests.some(({ OPTIONS }) => OPTIONS?.name === test);

const kept = (entries: JsonSchema): JsonSchema =>
  Object.fromEntries(Object.entries(entries).filter(([, value]) => value !== undefined));

function bodyOf(schema: yup.Schema, inner: (one: AnySchema) => JsonSchema): JsonSchema {
  const [min, max] = [paramOf(schema, 'min'), paramOf(schema, 'max')];
  switch (schema.type) {
    case 'string': {
      const regex = paramOf(schema, 'matches', 'regex');
      const pattern = regex instanceof RegExp ? regex.source : undefined;
      return kept({ type: 'string', minLength: min, maxLength: max, pattern });
    }
    case 'number':
      return kept({ type: hasTest(schema, 'integer') ? 'integer' : 'number', minimum: min, maximum: max });
    case 'boolean':
      return { type: 'boolean' };
    case 'array': {
      const items = schema instanceof yup.ArraySchema ? schema.innerType : undefined;
      return kept({ type: 'array', items: items && inner(items), minItems: min, maxItems: max });
    }
    case 'object':
      return schema instanceof yup.ObjectSchema ? objectOf(schema, inner) : { type: 'object' };
    default:
      return {};
  }
}

function objectOf(
  schema: yup.ObjectSchema<yup.AnyObject>,
  inner: (one: AnySchema) => JsonSchema,
): JsonSchema {
  const entries: [string, AnySchema][] = Object.entries(schema.fields);
  if (entries.length === 0) return { type: 'object' };
  const required = entries.filter(([, field]) => isRequired(field)).map(([name]) => name);
  return {
    type: 'object',
    properties: Object.fromEntries(entries.map(([name, field]) => [name, inner(field)])),
    ...(required.length > 0 ? { required } : {}),
    ...(hasTest(schema, 'noUnknown') ? { additionalProperties: false } : {}),
  };
}

function isRequired(field: AnySchema): boolean {
  return field instanceof yup.Schema ? !field.spec.optional : shapesOf(field) !== undefined;
}
