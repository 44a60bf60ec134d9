import { request } from 'node:http';
import { newTitle } from '../../src/core/model/project';
import type { Chance } from './chance';
import type { AttackedServer } from './server';

/** What came of many requests. */
export interface RequestFigures {
  readonly count: number;
  readonly byClass: Readonly<Record<string, number>>;
  readonly slowestMs: number;
  readonly problems: readonly string[];
}

const IDS = [
  'tideline-strap',
  'place-corner-1',
  'lantern-regatta-2',
  'title-1',
  '__proto__',
  'constructor',
  'toString',
  'none',
  '%00',
  '%2e%2e%2f%2e%2e%2fetc%2fpasswd',
  '%252e%252e',
  '%E0%A4%A',
  '%ff%fe',
  'a'.repeat(3000),
  '0',
  '-1',
  "'; drop table titles; --",
  '\u202e',
  '💧',
] as const;
const PATHS = [
  '/api/templates',
  '/api/templates/@',
  '/api/templates/@/copy',
  '/api/templates/@/release',
  '/api/templates/@/package',
  '/api/projects',
  '/api/projects/@',
  '/api/projects/@/changes',
  '/api/house',
  '/api/house/finishes/@',
  '/api/shelf',
  '/api/editions?ids=@,@',
  '/api/jobs',
  '/api/jobs?before=@',
  '/api/jobs/@',
  '/api/jobs/@/cancel',
  '/api/jobs/@/files/@',
  '/api/jobs/@/retry',
  '/api/jobs/@/zip',
  '/api/jobs/@/papers/@',
  '/api/orders',
  '/api/orders/preview',
  '/api/assets',
  '/api/assets?name=@',
  '/api/assets/@',
  '/api/media?name=@',
  '/api/media/@',
  '/api/packages?name=@',
  '/api/uploads',
  '/api/uploads/@',
  '/api/room',
  '/api/room/@',
  '/api/room/template/@',
  '/api/room/@/@',
  '/api/backups/@',
  '/api/@',
  '/desk/@',
  '/desk/@?place=@',
  '/desk/@/proof',
  '/bench/@',
  '/shelf?@',
  '/@',
  '/fonts/@',
] as const;
const METHODS = [
  'GET',
  'GET',
  'GET',
  'POST',
  'POST',
  'PUT',
  'PATCH',
  'DELETE',
  'HEAD',
  'OPTIONS',
  'TRACE',
] as const;

const deep = (open: string, close: string, depth: number): string => open.repeat(depth) + close.repeat(depth);

/** A text that somebody could send as a body. */
function bodyFrom(chance: Chance): string {
  const word = (): unknown =>
    chance.pick<unknown>([
      'x',
      '',
      '\0',
      '\ud800',
      '\u202e',
      'a'.repeat(5000),
      1,
      -1,
      0,
      1e308,
      2 ** 53,
      null,
      true,
      [],
      {},
      [[]],
      { toString: 1 },
      'constructor',
    ]);
  const title = (): unknown => ({
    value: {
      ...newTitle({ id: '', editionId: '', startFrame: 0, lengthFrames: 50, lane: 0, values: {} }),
      id: chance.pick(['title-1', 'new', word()]),
      editionId: chance.pick(['tideline-strap-1', 'none', word()]),
      startFrame: chance.pick<unknown>([0, 5, word()]),
      lengthFrames: chance.pick<unknown>([50, word()]),
      lane: chance.pick<unknown>([0, word()]),
      values: chance.pick<unknown>([{}, { name: word() }, { __proto__: word() }, word()]),
    },
    revision: chance.pick<unknown>([null, 1, word()]),
  });
  const start = (): unknown => ({
    name: word(),
    kind: chance.pick<unknown>(['name-strap', word()]),
    production: word(),
    format: chance.pick<unknown>(['wide-1080', word()]),
    rate: chance.pick<unknown>(['25', word()]),
  });
  return chance.pick<() => string>([
    () => JSON.stringify({ titles: { put: [title(), title()], remove: [{ id: word(), revision: word() }] } }),
    () => JSON.stringify({ clips: { put: [{ value: word(), revision: word() }] }, plan: word(), by: word() }),
    () => JSON.stringify(start()),
    () => JSON.stringify({ revision: word(), document: word() }),
    () =>
      JSON.stringify({
        projectId: word(),
        output: chance.pick<unknown>(['png-still', word()]),
        titleIds: [word()],
      }),
    () => JSON.stringify({ away: word() }),
    () => '{"__proto__":{"polluted":1},"constructor":{"prototype":{}}}',
    () => deep('[', ']', 50_000),
    () => deep('{"a":', '}', 3000).replace('}', '1}'),
    () => '{"a":"\\ud800\\u0000"}',
    () => 'null',
    () => '',
    () => '{"revision":1,',
    () => '\xff\xfe\0',
  ])();
}

/** Sends many hostile requests, some at a time. */
export async function attackWithRequests(
  server: AttackedServer,
  chance: Chance,
  count: number,
): Promise<RequestFigures> {
  const byClass: Record<string, number> = {};
  const problems: string[] = [];
  let slowestMs = 0;
  const one = async (): Promise<void> => {
    const method = chance.pick(METHODS);
    const path = chance.pick(PATHS).replaceAll('@', () => encodeOnce(chance.pick(IDS)));
    const body = method === 'GET' || method === 'HEAD' || chance.below(6) === 0 ? '' : bodyFrom(chance);
    const before = performance.now();
    const status = await send(server, method, path, body, chance).catch((error: unknown) => String(error));
    const took = performance.now() - before;
    slowestMs = Math.max(slowestMs, took);
    const group = typeof status === 'number' ? `${Math.floor(status / 100)}xx` : 'broken off';
    byClass[group] = (byClass[group] ?? 0) + 1;
    const what = `${method} ${path.slice(0, 80)} ${body.slice(0, 120)}`;
    if (group === '5xx' && status !== 501) problems.push(`${status}: ${what}`);
    if (took > 2000) problems.push(`${Math.round(took)} ms: ${what}`);
  };
  for (let sent = 0; sent < count; sent += 8) await Promise.all(Array.from({ length: 8 }, one));
  return { count, byClass, slowestMs, problems };
}

/** Ids that are encoded already stay as they are; the rest is what a browser would send. */
function encodeOnce(id: string): string {
  return id.startsWith('%') ? id : encodeURIComponent(id);
}

function send(
  server: AttackedServer,
  method: string,
  path: string,
  body: string,
  chance: Chance,
): Promise<number> {
  const { hostname, port } = new URL(server.url);
  const headers = {
    host: chance.below(30) === 0 ? 'gilder.example' : `${hostname}:${port}`,
    ...(chance.below(30) === 0 ? { origin: 'http://osier.example' } : {}),
    ...(chance.below(10) === 0 ? { range: chance.pick(['bytes=5-', 'bytes=-', 'x', 'bytes=9-1']) } : {}),
    ...(chance.below(10) === 0
      ? { 'tus-resumable': '1.0.0', 'upload-length': chance.pick(['5', '-1', '9e99']) }
      : {}),
    ...(body === ''
      ? {}
      : { 'content-type': 'application/json', 'content-length': String(Buffer.byteLength(body)) }),
  };
  return new Promise((resolve, reject) => {
    const sent = request({ hostname, port, method, path, headers, agent: false }, (answer) => {
      // Streams of events have no end; their first byte is answer enough.
      answer.once('data', () =>
        path.includes('events') || path.includes('news') ? answer.destroy() : undefined,
      );
      answer.resume();
      answer.once('close', () => resolve(answer.statusCode ?? 0));
    });
    sent.setTimeout(30_000, () => sent.destroy(new Error('no answer')));
    sent.once('error', reject);
    sent.end(body);
  });
}
