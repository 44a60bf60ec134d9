import { eq } from 'drizzle-orm';
import type { Db } from './open';
import { facts } from './schema';

type FactsDb = Pick<Db, 'select' | 'insert'>;

/** Whether this data folder has been through something, by its name. */
export async function isFact(db: FactsDb, id: string): Promise<boolean> {
  return (await db.select().from(facts).where(eq(facts.id, id))).length > 0;
}

/** Remembers that this data folder has been through something. */
export async function setFact(db: FactsDb, id: string): Promise<void> {
  await db.insert(facts).values({ id }).onConflictDoNothing();
}
