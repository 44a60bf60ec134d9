import { expect, test } from '@jest/globals';
import { InputError } from '../core/kit/inputError';
import { StaleWriteError } from '../db/staleWrite';
import {
  ConflictError,
  DiskFullError,
  GoneError,
  NotFoundError,
  readFileName,
  readId,
  readJson,
  readRevision,
  respond,
  respondWithTag,
} from './respond';

const request = (headers: Record<string, string> = {}, method = 'POST', body = '{}'): Request =>
  new Request('http://127.0.0.1:4400/api/x', {
    method,
    headers: { host: '127.0.0.1:4400', ...headers },
    ...(method === 'GET' ? {} : { body }),
  });
const fine = async (): Promise<Response> => Response.json({ fine: true });
const fails = (error: Error) => async (): Promise<Response> => Promise.reject(error);

test('answers on this machine only', async () => {
  for (const host of ['localhost:4400', '127.0.0.1', '[::1]:4400']) {
    expect((await respond(request({ host }), fine)).status).toBe(200);
  }
  for (const host of ['gilder.example', '127.0.0.1.example', '']) {
    expect((await respond(request({ host }), fine)).status).toBe(403);
  }
});

test('refuses changes that another site asks for', async () => {
  expect((await respond(request({ origin: 'http://osier.example' }), fine)).status).toBe(403);
  expect((await respond(request({ origin: 'null' }), fine)).status).toBe(403);
  expect((await respond(request({ origin: 'http://127.0.0.1:4400' }), fine)).status).toBe(200);
});

test.each([
  [InputError.of('Size', 'more than 0', 0), 400, /Size: needs more than 0, found 0/],
  [new StaleWriteError('title', { revision: 3 }), 409, /changed elsewhere/],
  [new NotFoundError('There is no template "x".'), 404, /no template/],
  [new GoneError('This job was deleted.'), 410, /was deleted/],
  [new ConflictError('It is in use.'), 409, /in use/],
  [new DiskFullError('There is no room.'), 507, /no room/],
])('%s becomes an answer with its own words', async (error, status, words) => {
  const response = await respond(request(), fails(error));
  expect(response.status).toBe(status);
  expect((await response.json()).message).toMatch(words);
});

test('a body that is not a JSON object is refused', async () => {
  for (const body of ['', 'text', '[]', '"x"', '{"a":']) {
    await expect(readJson(request({}, 'POST', body))).rejects.toThrow(/Request: needs a JSON object/);
  }
  expect(await readJson(request({}, 'POST', '{"a":1}'))).toEqual({ a: 1 });
});

test('a revision is a whole number above 0', () => {
  expect(readRevision(4)).toBe(4);
  for (const wrong of [0, -1, 1.5, '1', null, undefined])
    expect(() => readRevision(wrong)).toThrow(InputError);
});

test('refuses what another site’s page asks for by itself, and lets a link from there be followed', async () => {
  const asked = async (method: string, headers: Record<string, string>): Promise<number> =>
    (await respond(request(headers, method), fine)).status;
  for (const site of ['cross-site', 'same-site']) {
    expect(await asked('POST', { 'sec-fetch-site': site })).toBe(403);
    expect(await asked('GET', { 'sec-fetch-site': site, 'sec-fetch-mode': 'no-cors' })).toBe(403);
    expect(await asked('GET', { 'sec-fetch-site': site, 'sec-fetch-mode': 'navigate' })).toBe(200);
    expect(await asked('POST', { 'sec-fetch-site': site, 'sec-fetch-mode': 'navigate' })).toBe(403);
  }
  for (const site of ['same-origin', 'none'])
    expect(await asked('POST', { 'sec-fetch-site': site })).toBe(200);
});

test('whoever has an answer already is told that it is the same, until it is another', async () => {
  const first = respondWithTag(request({}, 'GET'), { a: 1 });
  const tag = first.headers.get('etag') ?? '';
  expect(await first.json()).toEqual({ a: 1 });
  const ask = (value: unknown): number =>
    respondWithTag(request({ 'if-none-match': `W/${tag}, "x"` }, 'GET'), value).status;
  expect([ask({ a: 1 }), ask({ a: 2 })]).toEqual([304, 200]);
});

test('texts of a body come in well-formed, and an id that can be none is not asked for', async () => {
  const body = '{"name":"Il\\u0000se \\ud800","list":["a\\u0007"]}';
  expect(await readJson(request({}, 'POST', body))).toEqual({ name: 'Ilse \ufffd', list: ['a'] });
  expect(readId('lantern-regatta_2', 'project')).toBe('lantern-regatta_2');
  for (const bad of ['', '\0', '../x', '%00', 'a b', 'x'.repeat(65), 'é'])
    expect(() => readId(bad, 'project')).toThrow(NotFoundError);
});

test('a file’s name is one line without a path, of at most 120 characters', () => {
  expect(readFileName('we\0ir/\\pan.png', 'file')).toBe('weir  pan.png');
  expect(readFileName(' \n ', 'file')).toBe('file');
  expect(readFileName(null, 'file')).toBe('file');
  expect(Array.from(readFileName('💧'.repeat(200), 'file'))).toHaveLength(120);
});
