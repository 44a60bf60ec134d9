import type { SQL } from 'drizzle-orm';
import { and, asc, eq, isNotNull, isNull, lte, sql } from 'drizzle-orm';
import type { CallbackState } from '@/contract/clients';
import type { Db } from './open';
import { callbacks, clients, jobs } from './schema';

/** An address that has to be told now, and what proves who tells it. */
export interface DueCallback {
  readonly jobId: string;
  readonly url: string;
  readonly tries: number;
  /** SHA-256 of the client's key. */
  readonly keyHash: string;
}

const MOST_AT_ONCE = 20;

/** Of orders that are over, by clients whose keys are in force. */
const isOpen = (): SQL | undefined =>
  and(isNotNull(callbacks.nextAt), isNotNull(jobs.endedAt), isNull(clients.withdrawnAt));

/** The addresses that have to be told now, those that wait longest first. */
export function dueCallbacks(db: Db): Promise<DueCallback[]> {
  return db
    .select({
      jobId: callbacks.jobId,
      url: callbacks.url,
      tries: callbacks.tries,
      keyHash: clients.keyHash,
    })
    .from(callbacks)
    .innerJoin(jobs, eq(jobs.id, callbacks.jobId))
    .innerJoin(clients, eq(clients.id, jobs.clientId))
    .where(and(isOpen(), lte(callbacks.nextAt, sql`now()`)))
    .orderBy(asc(callbacks.nextAt))
    .limit(MOST_AT_ONCE);
}

/** When the next address has to be told; null while there is none. */
export async function nextCallbackAt(db: Db): Promise<Date | null> {
  const [next] = await db
    .select({ at: callbacks.nextAt })
    .from(callbacks)
    .innerJoin(jobs, eq(jobs.id, callbacks.jobId))
    .innerJoin(clients, eq(clients.id, jobs.clientId))
    .where(isOpen())
    .orderBy(asc(callbacks.nextAt))
    .limit(1);
  return next?.at ?? null;
}

/** Takes down how a try went: when it is tried again, or null where it was told or is given up. */
export async function noteCallback(
  db: Db,
  jobId: string,
  tried: { readonly error: string | null; readonly nextAt: Date | null },
): Promise<void> {
  const toldAt = tried.error === null ? new Date() : null;
  await db
    .update(callbacks)
    .set({ ...tried, toldAt, tries: sql`${callbacks.tries} + 1` })
    .where(eq(callbacks.jobId, jobId));
}

/** How far the telling of an order's address is; null where it has none. */
export async function findCallback(db: Db, jobId: string): Promise<CallbackState | null> {
  const [row] = await db.select().from(callbacks).where(eq(callbacks.jobId, jobId));
  if (row === undefined) return null;
  const { url, tries, error, toldAt, nextAt } = row;
  return {
    url,
    tries,
    error,
    toldAt: toldAt?.toISOString() ?? null,
    givenUp: toldAt === null && nextAt === null,
  };
}
