import { and, desc, eq, isNull } from 'drizzle-orm';
import type { ClientFacts } from '@/contract/clients';
import type { Db } from './open';
import { clients } from './schema';

type Row = typeof clients.$inferSelect;

function factsOf({ id, name, keyStart, createdAt, usedAt, withdrawnAt }: Row): ClientFacts {
  return {
    id,
    name,
    keyStart,
    createdAt: createdAt.toISOString(),
    usedAt: usedAt?.toISOString() ?? null,
    withdrawnAt: withdrawnAt?.toISOString() ?? null,
  };
}

/** All clients, the newest first, those whose keys were withdrawn among them. */
export async function listClients(db: Db): Promise<ClientFacts[]> {
  return (await db.select().from(clients).orderBy(desc(clients.createdAt))).map(factsOf);
}

export async function insertClient(
  db: Db,
  client: Pick<Row, 'id' | 'name' | 'keyHash' | 'keyStart'>,
): Promise<void> {
  await db.insert(clients).values(client);
}

/** Withdraws a client's key; says whether there was one in force. */
export async function withdrawClient(db: Db, id: string): Promise<boolean> {
  const inForce = and(eq(clients.id, id), isNull(clients.withdrawnAt));
  const done = await db.update(clients).set({ withdrawnAt: new Date() }).where(inForce).returning();
  return done.length > 0;
}

/** The client whose key has a hash and is in force; undefined for none. */
export async function findClientByKey(db: Db, keyHash: string): Promise<ClientFacts | undefined> {
  const inForce = and(eq(clients.keyHash, keyHash), isNull(clients.withdrawnAt));
  return (await db.select().from(clients).where(inForce)).map(factsOf)[0];
}

/** Remembers that a client was here. */
export async function touchClient(db: Db, id: string): Promise<void> {
  await db.update(clients).set({ usedAt: new Date() }).where(eq(clients.id, id));
}
