import type { Refusal } from '@/contract/refusal';
import { InputError } from '@/core/kit/inputError';
import { StaleWriteError } from '@/db/staleWrite';
import { isLoopback } from './loopback';

const LONGEST_BODY = 4 * 1024 * 1024;

/** Something that was asked for does not exist. */
export class NotFoundError extends Error {
  override readonly name = 'NotFoundError';
}

/**
 * Runs a route's work and turns what it throws into an answer. Requests for other hosts are refused, and
 * changes asked for by pages of other origins.
 */
export async function respond(request: Request, work: () => Promise<Response>): Promise<Response> {
  const host = request.headers.get('host') ?? '';
  if (!isLoopback(host))
    return refuse(403, { message: `Gilder answers on this machine only, not as "${host}".` });
  const origin = request.headers.get('origin');
  if (request.method !== 'GET' && origin !== null && !sameHost(origin, host)) {
    return refuse(403, { message: 'This change was asked for by another site and was not made.' });
  }
  try {
    return await work();
  } catch (error) {
    if (error instanceof InputError) return refuse(400, { message: error.message, problems: error.problems });
    if (error instanceof StaleWriteError) return refuse(409, { message: error.message, newer: error.newer });
    if (error instanceof NotFoundError) return refuse(404, { message: error.message });
    console.error(error);
    return refuse(500, { message: 'Something went wrong in Gilder itself. Nothing was changed; try again.' });
  }
}

/** Throws InputError when a request announces a longer body than is taken, before any of it is read. */
export function refuseLarger(request: Request, mostBytes: number, where = 'Request'): void {
  const bytes = Number(request.headers.get('content-length') ?? 0);
  if (bytes <= mostBytes) return;
  throw InputError.of(where, `at most ${Math.round(mostBytes / 1e6)} MB`, `${Math.ceil(bytes / 1e6)} MB`);
}

/** A JSON body of at most 4 MB. Throws InputError for anything else. */
export async function readJson(request: Request): Promise<Record<string, unknown>> {
  refuseLarger(request, LONGEST_BODY);
  const text = await request.text();
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return { ...value };
  } catch {
    // Told below, with what was got.
  }
  throw InputError.of('Request', 'a JSON object', text.slice(0, 40));
}

/** A revision number from a request. */
export function readRevision(value: unknown, where = 'Request, revision'): number {
  if (typeof value === 'number' && Number.isInteger(value) && value > 0) return value;
  throw InputError.of(where, 'a whole number above 0', value);
}

function refuse(status: number, refusal: Refusal): Response {
  return Response.json(refusal, { status });
}

function sameHost(origin: string, host: string): boolean {
  return URL.canParse(origin) && new URL(origin).host === host;
}
