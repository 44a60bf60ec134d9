import type { Refusal } from '@/contract/refusal';

/** A request that the server refused, with its own words. */
export class RefusedError extends Error {
  override readonly name = 'RefusedError';

  constructor(
    readonly status: number,
    readonly refusal: Refusal,
  ) {
    super(refusal.message);
  }
}

/** The server could not be reached; what was typed is still here. */
export class UnreachableError extends Error {
  override readonly name = 'UnreachableError';
}

interface Options {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  /** Lets the request outlive the page, for the last save before leaving. */
  readonly keepalive?: boolean;
}

/** Asks the server. Throws RefusedError or UnreachableError. The caller names the shape of the answer. */
export async function ask<T>(
  path: string,
  { method = 'GET', body, keepalive = false }: Options = {},
): Promise<T> {
  let response: Response;
  let answer: T & Refusal;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      keepalive,
      cache: 'no-store',
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
    // An answer that is no JSON is not Gilder's own: it is starting, or something stands between.
    answer = await response.json();
  } catch {
    throw new UnreachableError(
      'Gilder cannot be reached. What you typed is kept here and saved when it is back.',
    );
  }
  if (!response.ok) throw new RefusedError(response.status, answer);
  return answer;
}

/** The words to show for anything that was thrown. */
export function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
