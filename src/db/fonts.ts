import { asc, eq, inArray } from 'drizzle-orm';
import type { FaceFile } from '@/core/faces/faceFile';
import { placeOf } from '@/core/faces/ownFaces';
import type { Db } from './open';
import { fonts } from './schema';

/** All font files that the House took in, the oldest first. */
export async function listFonts(db: Pick<Db, 'select'>): Promise<FaceFile[]> {
  const rows = await db.select().from(fonts).orderBy(asc(fonts.createdAt), asc(fonts.id));
  return rows.map(({ id, fileName, byteCount, inUse, facts }) => ({
    ...facts,
    id,
    fileName,
    byteCount,
    inUse,
  }));
}

/** Remembers a font file; one with the same bytes is kept once. Gives whether it was not here before. */
export async function putFont(db: Db, file: FaceFile): Promise<boolean> {
  const { id, fileName, byteCount, inUse, ...facts } = file;
  const added = await db
    .insert(fonts)
    .values({ id, fileName, byteCount, inUse, facts })
    .onConflictDoNothing()
    .returning({ id: fonts.id });
  return added.length > 0;
}

/** Puts a font file in use, and what stood in its place out of it. */
export async function setFontInUse(db: Db, file: FaceFile): Promise<void> {
  await db.transaction(async (tx) => {
    const others = (await listFonts(tx)).filter(
      (one) => one.id !== file.id && placeOf(one) === placeOf(file),
    );
    const ids = others.map(({ id }) => id);
    if (ids.length > 0) await tx.update(fonts).set({ inUse: false }).where(inArray(fonts.id, ids));
    await tx.update(fonts).set({ inUse: true }).where(eq(fonts.id, file.id));
  });
}

/** Forgets font files. */
export async function forgetFonts(db: Db, ids: readonly string[]): Promise<void> {
  if (ids.length > 0) await db.delete(fonts).where(inArray(fonts.id, [...ids]));
}
