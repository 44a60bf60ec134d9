import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { Validator } from '@seriousme/openapi-schema-validator';
import Ajv from 'ajv/dist/2020';
import { strFromU8, unzipSync } from 'fflate';
import * as yup from 'yup';
import { DEMO_TEMPLATES } from '../../../demo/templates';
import { writeTemplatePackage } from '../../core/formats/templatePackage/templatePackage';
import { FIRST_HOUSE } from '../../core/model/house';
import { exactly, oneOfShapes, variant } from '../../core/model/schemaParts';
import { jsonSchemaOf } from './jsonSchema';
import { describeApi, describePackage } from './openapi';
import { OPERATIONS } from './operations';

const document = structuredClone(describeApi()) as {
  paths: Record<string, Record<string, unknown>>;
  components: { schemas: Record<string, object> };
};

/** Checks by what the description says, read by a program that knows nothing of ours. */
function checkBy(name: string): (value: unknown) => string[] {
  const ajv = new Ajv({ strict: false, allErrors: true });
  ajv.addSchema({ $id: 'api', ...document });
  const check = ajv.compile({ $ref: `api#/components/schemas/${name}` });
  return (value) => {
    check(value);
    return (check.errors ?? []).map(({ instancePath, message }) => `${instancePath} ${message}`);
  };
}

/** The routes that are there, by their files. */
function routesIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('route.ts'))
    .flatMap((file) => {
      const code = readFileSync(join(folder, file), 'utf8');
      const path = `/${file.replace(/\/route\.ts$/, '')}`.replace(/\[(\w+)\]/g, '{$1}');
      return [
        ...code.matchAll(/\b(GET|PUT|POST|DELETE)\(|as (GET|PUT|POST|DELETE|HEAD|PATCH|OPTIONS)\b/g),
      ].map(([, one, other]) => `${(one ?? other).toLowerCase()} ${path}`);
    });
}

describe('the description of what the server can be asked for', () => {
  test('is what lies in docs; npm run openapi writes it anew', () => {
    expect(JSON.parse(readFileSync('docs/openapi.json', 'utf8'))).toEqual(document);
  });

  test('is OpenAPI 3.1, as another program reads it', async () => {
    const result = await new Validator().validate(structuredClone(document));
    expect(result.errors ?? []).toEqual([]);
    expect(result.valid).toBe(true);
  });

  test('has every route that is there, and no other', () => {
    // What comes in pieces has one file for the path itself and for those below it.
    const told = OPERATIONS.map(
      ({ method, path }) => `${method} ${path.replace(/^\/uploads.*/, '/uploads/[{...path}]')}`,
    );
    const there = routesIn('src/app/api').map((route) =>
      route.replace('/uploads/[[...path]]', '/uploads/[{...path}]'),
    );
    expect([...new Set(told)].toSorted()).toEqual([...new Set(there)].toSorted());
  });

  test('takes every demo template and the first House, and not what the server refuses', () => {
    const checkTemplate = checkBy('Template');
    for (const template of DEMO_TEMPLATES) expect(checkTemplate(structuredClone(template))).toEqual([]);
    expect(checkBy('House')(structuredClone(FIRST_HOUSE))).toEqual([]);
    const [first] = DEMO_TEMPLATES;
    for (const wrong of [
      { ...first, name: 5 },
      { ...first, surprise: true },
      { ...first, layers: [{ ...first.layers[0], kind: 'hologram' }] },
      { ...first, timing: { ...first.timing, inSeconds: -1 } },
    ])
      expect(checkTemplate(structuredClone(wrong))).not.toEqual([]);
  });
});

describe('the description of a package', () => {
  test('is what lies in docs, and takes what the program writes', () => {
    expect(JSON.parse(readFileSync('docs/template-package.schema.json', 'utf8'))).toEqual(describePackage());
    const check = new Ajv({ strict: false }).compile(structuredClone(describePackage()));
    for (const template of DEMO_TEMPLATES) {
      const manifest = unzipSync(writeTemplatePackage(template, []))['manifest.json'];
      const value: object = JSON.parse(strFromU8(manifest));
      check(value);
      expect(check.errors ?? []).toEqual([]);
      expect(check({ ...value, template: {} })).toBe(false);
    }
  });
});

describe('a schema', () => {
  test('becomes the JSON Schema that accepts the same', () => {
    const schema = exactly({
      name: yup.string().required().min(1).max(5),
      size: yup.number().defined().nullable().integer().min(0),
      word: yup.string().required().oneOf(['a', 'b']),
      list: yup.array().of(yup.boolean().required()).required().max(2),
      note: yup.string(),
      shape: oneOfShapes('kind', { dot: variant(), line: variant({ length: yup.number().required() }) }),
    });
    const described = jsonSchemaOf(schema);
    expect(described).toMatchObject({
      required: ['name', 'size', 'word', 'list', 'shape'],
      additionalProperties: false,
      properties: {
        name: { type: 'string', minLength: 1, maxLength: 5 },
        size: { type: ['integer', 'null'], minimum: 0 },
        word: { enum: ['a', 'b'] },
        note: { type: 'string' },
      },
    });
    const check = new Ajv({ strict: false }).compile(described);
    const right = { name: 'x', size: null, word: 'a', list: [true], shape: { kind: 'line', length: 2 } };
    const values = [
      right,
      { ...right, note: 'n' },
      { ...right, size: 1.5 },
      { ...right, name: '' },
      { ...right, name: 'too long' },
      { ...right, word: 'c' },
      { ...right, list: [true, false, true] },
      { ...right, list: [1] },
      { ...right, more: 1 },
      { ...right, shape: { kind: 'line' } },
      { ...right, shape: { kind: 'dot' } },
      { ...right, shape: { kind: 'blob' } },
    ];
    const strict = { strict: true };
    expect(values.map((value) => check(value))).toEqual(
      values.map((value) => schema.isValidSync(value, strict)),
    );
  });
});
