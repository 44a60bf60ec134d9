import * as yup from 'yup';
import { manifestSchema } from '../../core/formats/templatePackage/templatePackage';
import { houseSchema } from '../../core/model/house';
import { layerSchema, motionSchema } from '../../core/model/layerSchema';
import { planSchema } from '../../core/model/plan';
import { clipSchema, settingsSchema, titleSchema } from '../../core/model/project';
import { templateSchema } from '../../core/model/templateSchema';
import { refusalSchema } from '../refusal';
import type { JsonSchema } from './jsonSchema';
import { jsonSchemaOf } from './jsonSchema';
import type { Operation } from './operation';
import { OPERATIONS } from './operations';

const REFUSALS: Readonly<Record<number, string>> = {
  400: 'Something that was sent is not as it has to be; the problems say where, what was expected and what was got.',
  401: 'It needs a key that is in force.',
  403: 'It was asked for under another name of this machine, or by another site.',
  404: 'There is no such thing.',
  409: 'It was changed elsewhere since, is in use, or is over.',
  410: 'It was deleted, and can be brought back.',
  416: 'It has no such part.',
  429: 'Too much was asked for in this minute.',
  507: 'There is no room on the disk.',
};
const ALWAYS = [400, 403];

/** What is described once, under its own name. */
const NAMED = new Map<yup.ISchema<unknown>, string>([
  [refusalSchema, 'Refusal'],
  [templateSchema, 'Template'],
  [layerSchema, 'Layer'],
  [motionSchema, 'Motion'],
  [houseSchema, 'House'],
  [planSchema, 'Plan'],
  [settingsSchema, 'ProjectSettings'],
  [titleSchema, 'Title'],
  [clipSchema, 'Clip'],
]);

function refTo(schema: yup.Schema): JsonSchema {
  const name = NAMED.get(schema);
  return name === undefined ? jsonSchemaOf(schema, NAMED) : { $ref: `#/components/schemas/${name}` };
}

/** Describes the manifest of a template package (JSON Schema, draft 2020-12). */
export function describePackage(): JsonSchema {
  const parts = [templateSchema, layerSchema, motionSchema];
  const manifest = jsonSchemaOf(manifestSchema, NAMED);
  const schema = {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'https://gilder.invalid/template-package/1',
    title: 'Gilder template package, manifest.json, version 1',
    description:
      'A package is a zip (name ending .gilder.zip) with this manifest and the pictures it lists. Colours are #rrggbb; lengths that end in U are design units (the short side of any picture is 1080); shares and opacities are 0 to 1; times are seconds.',
    ...manifest,
    properties: { ...Object(manifest.properties), template: { $ref: '#/components/schemas/Template' } },
    $defs: Object.fromEntries(parts.map((part) => [NAMED.get(part), jsonSchemaOf(part, NAMED)])),
  };
  return JSON.parse(JSON.stringify(schema).replaceAll('#/components/schemas/', '#/$defs/'));
}

/** Describes everything that can be asked of the server (OpenAPI 3.1). */
export function describeApi(): JsonSchema {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of OPERATIONS) {
    paths[`/api${operation.path}`] ??= {};
    paths[`/api${operation.path}`][operation.method] = describeOperation(operation);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Gilder',
      version: '0.1.0',
      description: 'What the workshop can be asked for over HTTP, on this machine.',
    },
    servers: [{ url: 'http://127.0.0.1:4400' }],
    paths,
    components: {
      securitySchemes: { key: { type: 'http', scheme: 'bearer', description: 'A key of the House.' } },
      schemas: Object.fromEntries([...NAMED].map(([schema, name]) => [name, jsonSchemaOf(schema, NAMED)])),
    },
  };
}

function describeOperation({
  method,
  path,
  says,
  query = {},
  body,
  answer,
  status = 200,
  refusals = [],
  byKey = false,
}: Operation): JsonSchema {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const inQuery = Object.entries(query).map(([name, description]) => ({
    name,
    in: 'query',
    description,
    schema: { type: 'string' },
  }));
  return {
    operationId: `${method}${path.replace(/[{}]/g, '').replace(/\/(\w)/g, (_, letter: string) => letter.toUpperCase())}`,
    summary: says,
    ...(byKey ? { security: [{ key: [] }] } : {}),
    ...(inPath.length + inQuery.length > 0 ? { parameters: [...inPath, ...inQuery] } : {}),
    ...(body === undefined ? {} : { requestBody: { required: true, content: contentOf(body) } }),
    responses: {
      [status]: { description: says, ...(answer === null ? {} : { content: contentOf(answer) }) },
      ...Object.fromEntries(
        [...ALWAYS, ...(byKey ? [401, 429] : []), ...refusals].map((code) => [
          code,
          {
            description: REFUSALS[code],
            content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } },
          },
        ]),
      ),
    },
  };
}

function contentOf(content: yup.Schema | string): JsonSchema {
  if (content instanceof yup.Schema) return { 'application/json': { schema: refTo(content) } };
  const type = content === 'file' ? 'application/octet-stream' : content;
  return {
    [type]: {
      schema: type === 'text/event-stream' ? { type: 'string' } : { type: 'string', format: 'binary' },
    },
  };
}
