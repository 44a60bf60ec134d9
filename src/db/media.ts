import { desc, eq, isNull } from 'drizzle-orm';
import type { KeptVideo } from '@/contract/assets';
import type { Db } from './open';
import { media } from './schema';

type MediaRow = typeof media.$inferSelect;

/** Remembers a video or a sound whose bytes lie in the data folder; the same content is kept once, and in use again. */
export async function putMedia(
  db: Db,
  video: Pick<MediaRow, 'id' | 'name' | 'byteCount' | 'hash'> &
    Partial<Pick<MediaRow, 'seconds' | 'startTimecode'>>,
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

const MOST_LISTED = 2000;

/** The videos that are in use, the newest first. */
export async function listMedia(db: Db): Promise<KeptVideo[]> {
  const { id, name, seconds, startTimecode } = media;
  return db
    .select({ id, name, seconds, startTimecode })
    .from(media)
    .where(isNull(media.away))
    .orderBy(desc(media.createdAt))
    .limit(MOST_LISTED);
}
