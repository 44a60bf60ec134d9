import { eq } from 'drizzle-orm';
import type { Db } from './open';
import { media } from './schema';

type MediaRow = typeof media.$inferSelect;

/** Remembers a video whose bytes lie in the data folder; the same content is kept once, and in use again. */
export async function putMedia(
  db: Db,
  video: Pick<MediaRow, 'id' | 'name' | 'byteCount' | 'hash'>,
): Promise<void> {
  await db
    .insert(media)
    .values(video)
    .onConflictDoUpdate({ target: media.id, set: { away: null, awayAt: null } });
}

/** What is known of a video, or undefined. */
export async function findMedia(db: Db, id: string): Promise<MediaRow | undefined> {
  return (await db.select().from(media).where(eq(media.id, id)))[0];
}
