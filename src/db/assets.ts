import { asc, eq, inArray, isNull } from 'drizzle-orm';
import type { AssetFacts } from '@/contract/assets';
import type { Db } from './open';
import { assets } from './schema';

/** A picture with its bytes. */
export interface AssetRecord extends AssetFacts {
  readonly bytes: Uint8Array;
}

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
 * Keeps a picture; one with the same content is kept once and the first is given back, in use again if it was out of the
 * way.
 */
export async function putAsset(db: Db, asset: AssetRecord): Promise<AssetFacts> {
  const row = { ...asset, byteCount: asset.bytes.length };
  const [kept] = await db
    .insert(assets)
    .values(row)
    .onConflictDoUpdate({ target: assets.hash, set: { away: null, awayAt: null } })
    .returning(facts);
  return kept;
}

/** All pictures in use, without their bytes. */
export function listAssets(db: Db): Promise<AssetFacts[]> {
  return db.select(facts).from(assets).where(isNull(assets.away)).orderBy(assets.createdAt);
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
    .where(inArray(assets.id, [...ids]))
    .orderBy(asc(assets.id));
  return new Map(rows.map((row) => [row.id, Uint8Array.from(row.bytes)]));
}
