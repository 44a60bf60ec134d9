import { eq, inArray } from 'drizzle-orm';
import type { AssetFacts } from '@/contract/assets';
import type { Db } from './open';
import { assets } from './schema';

export type AssetRecord = Omit<typeof assets.$inferSelect, 'createdAt'>;
const facts = {
  id: assets.id,
  name: assets.name,
  mediaType: assets.mediaType,
  hash: assets.hash,
  widthPx: assets.widthPx,
  heightPx: assets.heightPx,
};

/** Keeps a picture; one with the same content is kept once and the first is given back. */
export async function putAsset(db: Db, asset: AssetRecord): Promise<AssetFacts> {
  await db.insert(assets).values(asset).onConflictDoNothing({ target: assets.hash });
  const rows = await db.select(facts).from(assets).where(eq(assets.hash, asset.hash));
  return rows[0];
}

/** All pictures, without their bytes. */
export function listAssets(db: Db): Promise<AssetFacts[]> {
  return db.select(facts).from(assets).orderBy(assets.createdAt);
}

/** A picture with its bytes, or undefined. */
export async function findAsset(db: Db, id: string): Promise<AssetRecord | undefined> {
  const rows = await db
    .select({ ...facts, bytes: assets.bytes })
    .from(assets)
    .where(eq(assets.id, id));
  return rows[0];
}

/** The files of pictures by id; those that are not here are left out. */
export async function readPictures(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, Uint8Array>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: assets.id, bytes: assets.bytes })
    .from(assets)
    .where(inArray(assets.id, [...ids]));
  return new Map(rows.map((row) => [row.id, Uint8Array.from(row.bytes)]));
}
