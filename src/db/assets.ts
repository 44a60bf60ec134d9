import { eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import type { AssetFacts } from '@/contract/assets';
import type { Db } from './open';
import { assets } from './schema';

const facts = {
  id: assets.id,
  name: assets.name,
  mediaType: assets.mediaType,
  hash: assets.hash,
  widthPx: assets.widthPx,
  heightPx: assets.heightPx,
  ownWidth: assets.ownWidth,
  ownHeight: assets.ownHeight,
};

/**
 * Remembers a picture whose file is kept; one with the same content is kept once and the first is given back, in use
 * again if it was out of the way.
 */
export async function putAsset(
  db: Db,
  asset: AssetFacts & { readonly byteCount: number },
): Promise<AssetFacts> {
  const [kept] = await db
    .insert(assets)
    .values(asset)
    .onConflictDoUpdate({ target: assets.hash, set: { away: null, awayAt: null } })
    .returning(facts);
  return kept;
}

/** All pictures in use. */
export function listAssets(db: Db): Promise<AssetFacts[]> {
  return db.select(facts).from(assets).where(isNull(assets.away)).orderBy(assets.createdAt);
}

/** What is known of pictures by id; those that are not here are left out. */
export async function findAssets(db: Db, ids: readonly string[]): Promise<AssetFacts[]> {
  if (ids.length === 0) return [];
  return db
    .select(facts)
    .from(assets)
    .where(inArray(assets.id, [...ids]));
}

/** Hands over, one by one, the bytes of pictures that are still in the database, and forgets them there. */
export async function takeOutBytes(
  db: Db,
  keep: (hash: string, bytes: Uint8Array) => Promise<void>,
): Promise<void> {
  const rows = await db.select({ id: assets.id }).from(assets).where(isNotNull(assets.bytes));
  for (const { id } of rows) {
    const [row] = await db
      .select({ hash: assets.hash, bytes: assets.bytes })
      .from(assets)
      .where(eq(assets.id, id));
    if (row?.bytes === null || row === undefined) continue;
    await keep(row.hash, row.bytes);
    await db.update(assets).set({ bytes: null }).where(eq(assets.id, id));
  }
}
