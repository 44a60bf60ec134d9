import { createHash } from 'node:crypto';
import type { Refusal } from '@/contract/refusal';
import { InputError } from '@/core/kit/inputError';
import { wellFormedText, wellFormedValue } from '@/core/kit/wellFormed';
import { StaleWriteError } from '@/db/staleWrite';
import { isLoopback } from './loopback';

const LONGEST_BODY = 4 * 1024 * 1024;

/** Something that was asked for does not exist. */
export class NotFoundError extends Error {
  override readonly name = 'NotFoundError';
}

/** Something that was asked for was deleted. */
export class GoneError extends Error {
  override readonly name = 'GoneError';
}

/** What was asked for cannot be done as things stand: it is in use, or it is over. */
export class ConflictError extends Error {
  override readonly name = 'ConflictError';
}

/** There is no room on the disk for what comes in. */
export class DiskFullError extends Error {
  override readonly name = 'DiskFullError';
}

/**
 * Runs a route's work and turns what it throws into an answer. Requests for other hosts are refused, and
 * changes asked for by pages of other origins.
 */
export async function respond(request: Request, work: () => Promise<Response>): Promise<Response> {
  const refusal = refuseForeign(request);
  if (refusal !== null) return refusal;
  try {
    return await work();
  } catch (error) {
    return refusalFor(error);
  }
}

/** What is answered to a request for another host or by another site; null for one of our own. */
function refuseForeign(request: Request): Response | null {
  const host = request.headers.get('host') ?? '';
  if (!isLoopback(host))
    return refuse(403, { message: `Gilder answers on this machine only, not as "${host}".` });
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const foreign =
    (origin !== null && !sameHost(origin, host)) || site === 'cross-site' || site === 'same-site';
  // Reading by a link from elsewhere shows a page and changes nothing; what another page asks for by itself is refused.
  const isLink = request.method === 'GET' && request.headers.get('sec-fetch-mode') === 'navigate';
  if (foreign && !isLink)
    return refuse(403, { message: 'This was asked for by another site and was not done.' });
  return null;
}

/** The answer to something that was thrown. */
export function refusalFor(error: unknown): Response {
  if (error instanceof InputError) return refuse(400, { message: error.message, problems: error.problems });
  if (error instanceof StaleWriteError) return refuse(409, { message: error.message, newer: error.newer });
  if (error instanceof ConflictError) return refuse(409, { message: error.message });
  if (error instanceof NotFoundError) return refuse(404, { message: error.message });
  if (error instanceof GoneError) return refuse(410, { message: error.message });
  if (error instanceof DiskFullError) return refuse(507, { message: error.message });
  console.error(error);
  return refuse(500, { message: 'Something went wrong in Gilder itself. Nothing was changed; try again.' });
}

/** An answer in JSON with a validator: whoever has it already is told that it is still the same. */
export function respondWithTag(request: Request, value: unknown): Response {
  const body = JSON.stringify(value);
  const tag = `"${createHash('sha256').update(body).digest('base64url').slice(0, 27)}"`;
  const headers = { ETag: tag, 'Cache-Control': 'private, no-cache', 'Content-Type': 'application/json' };
  const known = request.headers.get('if-none-match')?.split(',') ?? [];
  return known.some((one) => one.trim().replace(/^W\//, '') === tag)
    ? new Response(null, { status: 304, headers })
    : new Response(body, { headers });
}

/** Throws InputError when a request announces a longer body than is taken, before any of it is read. */
function refuseLarger(request: Request, mostBytes: number, where = 'Request'): void {
  const bytes = Number(request.headers.get('content-length') ?? 0);
  if (bytes <= mostBytes) return;
  throw InputError.of(where, `at most ${Math.round(mostBytes / 1e6)} MB`, `${Math.ceil(bytes / 1e6)} MB`);
}

/** A JSON body of at most 4 MB, with every text in it well-formed. Throws InputError for anything else. */
export async function readJson(request: Request): Promise<Record<string, unknown>> {
  refuseLarger(request, LONGEST_BODY);
  const text = await request.text();
  if (text.length > LONGEST_BODY) throw InputError.of('Request', 'at most 4 MB', 'more');
  try {
    const value = wellFormedValue(JSON.parse(text));
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return { ...value };
  } catch {
    // Told below, with what was got.
  }
  throw InputError.of('Request', 'a JSON object', text.slice(0, 40));
}

/** The name of a file that is sent along, well-formed and of at most 120 characters. */
export function readFileName(name: string | null, otherwise: string): string {
  const clean = wellFormedText(name ?? '')
    .replace(/[\r\n\t/\\]/g, ' ')
    .trim();
  return Array.from(clean === '' ? otherwise : clean)
    .slice(0, 120)
    .join('');
}

const ID = /^[\w-]{1,64}$/;

/** An id from an address; throws NotFoundError for what can be none, so that nothing else ever reaches the database. */
export function readId(value: string, what: string): string {
  if (ID.test(value)) return value;
  throw new NotFoundError(`There is no ${what} "${wellFormedText(value).slice(0, 64)}".`);
}

/** A revision number from a request. */
export function readRevision(value: unknown, where = 'Request, revision'): number {
  if (typeof value === 'number' && Number.isInteger(value) && value > 0 && value < 2 ** 31) return value;
  throw InputError.of(where, 'a whole number above 0', value);
}

function refuse(status: number, refusal: Refusal): Response {
  return Response.json(refusal, { status });
}

function sameHost(origin: string, host: string): boolean {
  return URL.canParse(origin) && new URL(origin).host === host;
}
