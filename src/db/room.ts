import type { SQL } from 'drizzle-orm';
import { and, eq, inArray, lt, or, sql } from 'drizzle-orm';
import { KEPT_KINDS } from '@/contract/room';
import type { Away, KeptKind, KeptThing, KindRoom, RoomList, ThingUses } from '@/contract/room';
import type { Db } from './open';
import { assets, clips, editions, jobs, media, projects, renders, templates, titles } from './schema';

interface KeptTable {
  readonly table: typeof templates | typeof projects | typeof assets | typeof media | typeof jobs;
  readonly createdAt: SQL;
  /** The bytes that a row takes, with what belongs to it. */
  readonly bytes: SQL<number>;
  /** Names of what uses a thing. */
  uses(db: Db, id: string): Promise<readonly string[]>;
}

const KEPT: Readonly<Record<KeptKind, KeptTable>> = {
  template: {
    table: templates,
    createdAt: sql`templates.updated_at`,
    bytes: sql`pg_column_size(templates.document) + coalesce((select sum(pg_column_size(e.document)) from editions e where e.template_id = templates.id), 0)`,
    uses: (db, id) =>
      names(
        db
          .selectDistinct({ name: projects.name })
          .from(titles)
          .innerJoin(editions, eq(editions.id, titles.editionId))
          .innerJoin(projects, eq(projects.id, titles.projectId))
          .where(eq(editions.templateId, id)),
      ),
  },
  project: {
    table: projects,
    createdAt: sql`projects.created_at`,
    bytes: sql`coalesce((select sum(pg_column_size(t.values) + pg_column_size(t.per_delivery) + 100) from titles t where t.project_id = projects.id), 0) + coalesce((select count(*) * 150 from clips c where c.project_id = projects.id), 0)`,
    uses: () => Promise.resolve([]),
  },
  picture: {
    table: assets,
    createdAt: sql`assets.created_at`,
    bytes: sql`assets.byte_count`,
    uses: async (db, id) => [
      ...(await usesInDocuments(db, id)),
      ...(await usesInTitles(db, id)),
      ...(await usesInClips(db, `asset:${id}`)),
    ],
  },
  video: {
    table: media,
    createdAt: sql`media.created_at`,
    bytes: sql`media.byte_count`,
    uses: async (db, id) => [
      ...(await usesInClips(db, `video:${id}`)),
      ...(await usesInTitles(db, `video:${id}`)),
      ...(await usesInDocuments(db, `media:${id}`)),
    ],
  },
  job: {
    table: jobs,
    createdAt: sql`jobs.created_at`,
    bytes: sql`coalesce((select sum((f->>'bytes')::bigint) from jsonb_array_elements(jobs.files) f), 0) + pg_column_size(jobs.payload)`,
    uses: () => Promise.resolve([]),
  },
};

async function names(rows: PromiseLike<{ readonly name: string }[]>): Promise<readonly string[]> {
  return [...new Set((await rows).map(({ name }) => name))];
}

/** The names of templates whose draft or editions mention a picture or a face by its id. */
export async function usesInDocuments(db: Db, id: string): Promise<readonly string[]> {
  const mention = `%"${id}"%`;
  const below = `%"asset:${id}"%`;
  const holds = (table: typeof templates | typeof editions): SQL =>
    sql`(${table.document}::text like ${mention} or ${table.document}::text like ${below})`;
  const drafts = await names(db.select({ name: templates.name }).from(templates).where(holds(templates)));
  const released = await names(
    db
      .selectDistinct({ name: templates.name })
      .from(editions)
      .innerJoin(templates, eq(templates.id, editions.templateId))
      .where(holds(editions)),
  );
  return [...new Set([...drafts, ...released])];
}

/** The names of projects whose titles mention a picture or a video, by what documents call it: in fields or credits. */
function usesInTitles(db: Db, picture: string): Promise<readonly string[]> {
  const mention = `%"${picture}"%`;
  const places = [titles.values, titles.perDelivery, titles.kept, titles.credits];
  const holds = or(...places.map((place) => sql`${place}::text like ${mention}`));
  return names(
    db
      .selectDistinct({ name: projects.name })
      .from(titles)
      .innerJoin(projects, eq(projects.id, titles.projectId))
      .where(holds),
  );
}

function usesInClips(db: Db, picture: string): Promise<readonly string[]> {
  return names(
    db
      .selectDistinct({ name: projects.name })
      .from(clips)
      .innerJoin(projects, eq(projects.id, clips.projectId))
      .where(eq(clips.picture, picture)),
  );
}

const MOST_NAMES = 8;

/** What uses a thing, by name. */
export async function usesOfThing(db: Db, kind: KeptKind, id: string): Promise<ThingUses> {
  const all = [...new Set(await KEPT[kind].uses(db, id))];
  return { names: all.slice(0, MOST_NAMES), count: all.length };
}

/** How a thing is out of the way; null while it is in use, undefined when there is none. */
export async function awayOf(db: Db, kind: KeptKind, id: string): Promise<Away | null | undefined> {
  const { table } = KEPT[kind];
  return (await db.select({ away: table.away }).from(table).where(eq(table.id, id)))[0]?.away;
}

/** Puts a thing out of the way, or in use again; whether there is one. */
export async function setAway(db: Db, kind: KeptKind, id: string, away: Away | null): Promise<boolean> {
  const { table } = KEPT[kind];
  const change = { away, awayAt: away === null ? null : new Date() };
  const done = await db.update(table).set(change).where(eq(table.id, id)).returning({ id: table.id });
  return done.length > 0;
}

/** Removes things for good. Throws for a template that titles still use. */
export async function deleteThings(db: Db, kind: KeptKind, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  const { table } = KEPT[kind];
  await db.transaction(async (tx) => {
    if (kind === 'job') await tx.delete(renders).where(inArray(renders.jobId, [...ids]));
    if (kind === 'template') await tx.delete(editions).where(inArray(editions.templateId, [...ids]));
    await tx.delete(table).where(inArray(table.id, [...ids]));
  });
}

/** The ids of things that were deleted before a time. */
export async function deletedBefore(db: Db, kind: KeptKind, time: Date): Promise<readonly string[]> {
  const { table } = KEPT[kind];
  const rows = await db
    .select({ id: table.id })
    .from(table)
    .where(and(eq(table.away, 'deleted'), lt(table.awayAt, time)));
  return rows.map(({ id }) => id);
}

/** How much room each kind takes. */
export async function roomByKind(db: Db): Promise<KindRoom[]> {
  return Promise.all(
    KEPT_KINDS.map(async (kind) => {
      const { table, bytes } = KEPT[kind];
      const [row] = await db
        .select({
          count: sql<number>`count(*)`.mapWith(Number),
          bytes: sql<number>`coalesce(sum(${bytes}), 0)`.mapWith(Number),
          awayCount: sql<number>`count(${table.away})`.mapWith(Number),
          awayBytes:
            sql<number>`coalesce(sum(case when ${table.away} is null then 0 else ${bytes} end), 0)`.mapWith(
              Number,
            ),
        })
        .from(table);
      return { kind, ...row };
    }),
  );
}

/** The largest things of a kind: those in use, or those out of the way. */
export async function listThings(db: Db, kind: KeptKind, isAway: boolean, most: number): Promise<RoomList> {
  const { table, bytes, createdAt } = KEPT[kind];
  const where = isAway ? sql`${table.away} is not null` : sql`${table.away} is null`;
  const rows = await db
    .select({
      id: table.id,
      name: table.name,
      bytes: sql<number>`${bytes}`.mapWith(Number).as('bytes'),
      createdAt: sql<string>`${createdAt}`,
      away: table.away,
      awayAt: table.awayAt,
    })
    .from(table)
    .where(where)
    .orderBy(sql`bytes desc`)
    .limit(most);
  const [{ total }] = await db
    .select({ total: sql<number>`count(*)`.mapWith(Number) })
    .from(table)
    .where(where);
  const things = rows.map((row): KeptThing => ({
    ...row,
    kind,
    createdAt: new Date(row.createdAt).toISOString(),
    awayAt: row.awayAt?.toISOString() ?? null,
  }));
  return { things, total };
}

/** The size of the whole database on disk. */
export async function databaseBytes(db: Db): Promise<number> {
  const rows = await db
    .select({ bytes: sql<number>`pg_database_size(current_database())`.mapWith(Number) })
    .from(sql`(select 1) one`);
  return rows[0].bytes;
}
