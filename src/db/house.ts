import { eq } from 'drizzle-orm';
import type { HouseRecord } from '@/contract/house';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE } from '@/core/model/house';
import type { Db } from './open';
import { house } from './schema';
import { StaleWriteError } from './staleWrite';

const ONE = 'house';

/** The house style; as it is first set up while nobody has changed it. */
export async function findHouse(db: Db): Promise<HouseRecord> {
  const [row] = await db
    .select({ document: house.document, revision: house.revision })
    .from(house)
    .where(eq(house.id, ONE));
  // What a house of an earlier version did not have yet is as it is first set up.
  return row === undefined
    ? { document: FIRST_HOUSE, revision: 0 }
    : { ...row, document: { ...FIRST_HOUSE, ...row.document } };
}

/** Saves the house made from `revision`; throws StaleWriteError with the newer state if it has moved on. */
export async function saveHouse(db: Db, revision: number, document: House): Promise<number> {
  return db.transaction(async (tx) => {
    const [row] = await tx.select().from(house).where(eq(house.id, ONE)).for('update');
    if ((row?.revision ?? 0) !== revision) throw new StaleWriteError('house style', row ?? null);
    const next = { id: ONE, document, revision: revision + 1 };
    await tx.insert(house).values(next).onConflictDoUpdate({ target: house.id, set: next });
    return revision + 1;
  });
}
