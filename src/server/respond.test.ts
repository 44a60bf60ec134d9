import { expect, test } from '@jest/globals';
import { InputError } from '../core/kit/inputError';
import { StaleWriteError } from '../db/staleWrite';
import { NotFoundError, readJson, readRevision, respond } from './respond';

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
  [InputError.of('Size', 'more than 0', 0), 400, /Size: expected more than 0, got 0/],
  [new StaleWriteError('title', { revision: 3 }), 409, /changed elsewhere/],
  [new NotFoundError('There is no template "x".'), 404, /no template/],
])('%s becomes an answer with its own words', async (error, status, words) => {
  const response = await respond(request(), fails(error));
  expect(response.status).toBe(status);
  expect((await response.json()).message).toMatch(words);
});

test('a body that is not a JSON object is refused', async () => {
  for (const body of ['', 'text', '[]', '"x"', '{"a":']) {
    await expect(readJson(request({}, 'POST', body))).rejects.toThrow(/Request: expected a JSON object/);
  }
  expect(await readJson(request({}, 'POST', '{"a":1}'))).toEqual({ a: 1 });
});

test('a revision is a whole number above 0', () => {
  expect(readRevision(4)).toBe(4);
  for (const wrong of [0, -1, 1.5, '1', null, undefined])
    expect(() => readRevision(wrong)).toThrow(InputError);
});
