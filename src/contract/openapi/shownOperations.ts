import type { JsonSchema } from './jsonSchema';

/** A field of what is sent or answered: parts of a thing have its name before theirs, those of a list `[]` between. */
export interface FieldRow {
  readonly name: string;
  readonly takes: string;
  readonly required: boolean;
}

/** An operation as a page shows it. */
export interface ShownOperation {
  readonly method: string;
  readonly path: string;
  readonly says: string;
  readonly sent: readonly FieldRow[];
  /** The status of what is answered, and of what. */
  readonly status: string;
  readonly answered: readonly FieldRow[];
  /** What is answered where it is no JSON. */
  readonly mediaType: string;
  readonly refusals: readonly { readonly status: string; readonly says: string }[];
}

const at = (value: unknown, ...keys: readonly string[]): unknown =>
  keys.reduce<unknown>((inner, key) => Reflect.get(Object(inner), key), value);
const entriesOf = (value: unknown): [string, unknown][] => Object.entries(Object(value));

/** The operations of a description (OpenAPI 3.1) that other systems ask for by key, in its order. */
export function shownOperations(api: JsonSchema): ShownOperation[] {
  return entriesOf(api.paths).flatMap(([path, methods]) =>
    entriesOf(methods)
      .filter(([, operation]) => at(operation, 'security') !== undefined)
      .map(([method, operation]) => shown(api, method.toUpperCase(), path, operation)),
  );
}

function shown(api: JsonSchema, method: string, path: string, operation: unknown): ShownOperation {
  const all = entriesOf(at(operation, 'responses'));
  const [status, answer] = all.find(([code]) => code.startsWith('2')) ?? ['', undefined];
  const [[mediaType, content] = ['', undefined]] = entriesOf(at(answer, 'content'));
  const body = at(operation, 'requestBody', 'content', 'application/json', 'schema');
  return {
    method,
    path,
    says: String(at(operation, 'summary')),
    sent: body === undefined ? [] : fieldRows(body, api),
    status,
    answered: mediaType === 'application/json' ? fieldRows(at(content, 'schema'), api) : [],
    mediaType,
    refusals: all
      .filter(([code]) => !code.startsWith('2'))
      .map(([code, said]) => ({ status: code, says: String(at(said, 'description')) })),
  };
}

/** The fields of a schema, with those of the things and lists in it. */
export function fieldRows(schema: unknown, api: JsonSchema, before = ''): FieldRow[] {
  const plain = resolved(schema, api);
  if (at(plain, 'type') === 'array') return fieldRows(at(plain, 'items'), api, `${before}[]`);
  const required = new Set(entriesOf(at(plain, 'required')).map(([, name]) => name));
  return entriesOf(at(plain, 'properties')).flatMap(([name, field]): FieldRow[] => {
    const whole = before === '' ? name : `${before}.${name}`;
    const inner = resolved(field, api);
    const row = { name: whole, takes: wordsOf(inner), required: required.has(name) };
    return [row, ...fieldRows(inner, api, whole)];
  });
}

function resolved(schema: unknown, api: JsonSchema): unknown {
  const ref = at(schema, '$ref');
  return typeof ref === 'string' ? at(api, 'components', 'schemas', ref.split('/').at(-1) ?? '') : schema;
}

const TYPES: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  integer: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  null: 'null',
};

function wordsOf(schema: unknown): string {
  const choices = at(schema, 'enum');
  if (Array.isArray(choices)) return `one of ${choices.map((choice) => String(choice)).join(', ')}`;
  const type = at(schema, 'type');
  const types = (Array.isArray(type) ? type : [type]).map((one) => TYPES[String(one)] ?? 'anything');
  const [least, most, longest] = ['minimum', 'maximum', 'maxLength'].map((key) => at(schema, key));
  const examples = at(schema, 'examples');
  const limits = [
    ...(Array.isArray(examples) ? [`such as ${examples.map((example) => String(example)).join(', ')}`] : []),
    ...(typeof least === 'number' ? [`at least ${least}`] : []),
    ...(typeof most === 'number' ? [`at most ${most}`] : []),
    ...(typeof longest === 'number' ? [`at most ${longest} letters`] : []),
  ];
  return [types.join(' or '), ...limits].join(', ');
}
