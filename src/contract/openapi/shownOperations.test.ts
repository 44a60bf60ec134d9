import { expect, test } from '@jest/globals';
import { describeApi } from './openapi';
import { fieldRows, shownOperations } from './shownOperations';

test('what other systems ask for is shown, each with what is sent, answered and refused', () => {
  const shown = shownOperations(describeApi());
  expect(shown.map(({ method, path }) => `${method} ${path}`)).toEqual([
    'GET /api/v1/templates',
    'GET /api/v1/templates/{edition}',
    'POST /api/v1/renders',
    'GET /api/v1/renders/{id}',
    'GET /api/v1/renders/{id}/events',
    'POST /api/v1/renders/{id}/cancel',
    'GET /api/v1/renders/{id}/files/{name}',
  ]);
  const order = shown[2];
  const field = (name: string): unknown => order.sent.find((row) => row.name === name);
  expect(field('edition')).toEqual({ name: 'edition', takes: 'text, at most 64 letters', required: true });
  expect(field('seconds')).toEqual({
    name: 'seconds',
    takes: 'a number, at least 0.2, at most 3600',
    required: false,
  });
  expect(field('output')).toMatchObject({ takes: expect.stringMatching(/^one of mov-png, mov-prores, /) });
  expect(field('rate')).toMatchObject({
    takes: expect.stringMatching(/^text or null, such as 23\.976, 24, 25, /),
  });
  expect([order.status, order.answered]).toEqual(['201', [{ name: 'id', takes: 'text', required: true }]]);
  expect(order.refusals.map(({ status }) => status)).toEqual(expect.arrayContaining(['400', '401', '429']));
  expect([shown[4].mediaType, shown[4].answered]).toEqual(['text/event-stream', []]);
  expect(shown[0].answered.map(({ name }) => name)).toContain('[].edition');
});

test('what is in things and lists, and what is described elsewhere, is shown with the names before it', () => {
  const Shade = { type: 'object', properties: { red: { type: 'integer' } }, required: ['red'] };
  const schema = {
    type: 'object',
    properties: { ground: { $ref: '#/components/schemas/Shade' }, all: { type: 'array', items: Shade } },
    required: ['all'],
  };
  expect(fieldRows(schema, { components: { schemas: { Shade } } })).toEqual([
    { name: 'ground', takes: 'an object', required: false },
    { name: 'ground.red', takes: 'a whole number', required: true },
    { name: 'all', takes: 'a list', required: true },
    { name: 'all[].red', takes: 'a whole number', required: true },
  ]);
});
