import { createHash } from 'node:crypto';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { ClientFacts } from '@/contract/clients';
import { findClientByKey, touchClient } from '@/db/clients';
import { respond } from '../respond';
import { workshop } from '../workshop';

const A_MINUTE_SECONDS = 60;
/** What a client may ask in a minute: orders cost work, looking costs little. */
const LIMITS = {
  orders: new RateLimiterMemory({ points: 60, duration: A_MINUTE_SECONDS }),
  looks: new RateLimiterMemory({ points: 1200, duration: A_MINUTE_SECONDS }),
  // By whoever has no key: guessing one is hopeless anyway, and is slowed down all the same.
  strangers: new RateLimiterMemory({ points: 60, duration: A_MINUTE_SECONDS }),
};

// Written down so often at most, since reads are many.
const TOUCH_AFTER_MS = 60_000;

/** What a key is known by; the key itself is kept nowhere. */
export function hashKey(key: string): string {
  return createHash('sha256').update(key).digest('hex');
}

/**
 * Answers a request of another system: with its key (`Authorization: Bearer …`), and no oftener than it may ask. There is
 * nothing to be had without a key, so the interface is off while none is in force.
 */
export function respondToClient(
  request: Request,
  work: (client: ClientFacts) => Promise<Response>,
): Promise<Response> {
  return respond(request, async () => {
    const client = await clientOf(request);
    if (client === null) {
      if (!(await within('strangers', 'all'))) return tooMany();
      const message = 'This needs a key of a client in the House, sent as "Authorization: Bearer <key>".';
      return Response.json({ message }, { status: 401, headers: { 'WWW-Authenticate': 'Bearer' } });
    }
    const limit = request.method === 'POST' ? 'orders' : 'looks';
    return (await within(limit, client.id)) ? work(client) : tooMany();
  });
}

async function clientOf(request: Request): Promise<ClientFacts | null> {
  const key = /^Bearer ([\w-]{20,100})$/.exec(request.headers.get('authorization') ?? '')?.[1];
  if (key === undefined) return null;
  const { db } = await workshop();
  const client = await findClientByKey(db, hashKey(key));
  if (client === undefined) return null;
  if (client.usedAt === null || Date.now() - Date.parse(client.usedAt) > TOUCH_AFTER_MS)
    await touchClient(db, client.id);
  return client;
}

async function within(limit: keyof typeof LIMITS, who: string): Promise<boolean> {
  return LIMITS[limit].consume(who).then(
    () => true,
    () => false,
  );
}

function tooMany(): Response {
  const message = 'Too many requests in this minute. Wait and ask again.';
  return Response.json({ message }, { status: 429, headers: { 'Retry-After': String(A_MINUTE_SECONDS) } });
}
