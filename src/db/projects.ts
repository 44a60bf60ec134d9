import type { SQL } from 'drizzle-orm';
import { and, asc, desc, eq, getTableColumns, inArray, isNull, sql } from 'drizzle-orm';
import type {
  ProjectChanges,
  ProjectRecord,
  ProjectRevisions,
  ProjectSummary,
  RowChanges,
} from '@/contract/projects';
import type { Plan } from '@/core/model/plan';
import { newPlan } from '@/core/model/plan';
import type { Clip, ProjectSettings } from '@/core/model/project';
import type { Db } from './open';
import { clips, cues, projects, titles } from './schema';
import { StaleWriteError } from './staleWrite';

/** All projects that are in use, the one that was worked on last first. */
export async function listProjects(db: Db): Promise<ProjectSummary[]> {
  const worked = sql<Date>`coalesce(${projects.changedAt}, ${projects.createdAt})`;
  const rows = await db
    .select({
      id: projects.id,
      name: projects.name,
      production: projects.production,
      format: projects.format,
      rate: projects.rate,
      titleCount: sql<number>`(select count(*)::int from ${titles} t where t.project_id = ${projects}.id)`,
      picture: sql<string | null>`(select c.scene from ${clips} c where c.project_id = ${projects}.id
        order by c.start_frame limit 1)`,
      changedAt: sql<string>`to_char(${worked} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`,
    })
    .from(projects)
    .where(isNull(projects.away))
    .orderBy(desc(worked), projects.id);
  return rows.map((row) => ({ ...row, picture: row.picture ?? '' }));
}

/** Remembers that a project was worked on. */
async function touch(tx: Pick<Db, 'update'>, id: string): Promise<void> {
  await tx.update(projects).set({ changedAt: new Date() }).where(eq(projects.id, id));
}

/** Whether there is a project with this id. */
export async function isProject(db: Db, id: string): Promise<boolean> {
  return (await db.select({ id: projects.id }).from(projects).where(eq(projects.id, id))).length > 0;
}

/** A project with its clips, titles and cues, or undefined. */
export async function findProject(db: Db, id: string): Promise<ProjectRecord | undefined> {
  const [row] = await db.select().from(projects).where(eq(projects.id, id));
  if (row === undefined) return undefined;
  const clipRows = await db
    .select()
    .from(clips)
    .where(eq(clips.projectId, id))
    .orderBy(asc(clips.startFrame));
  const titleRows = await db
    .select()
    .from(titles)
    .where(eq(titles.projectId, id))
    .orderBy(asc(titles.startFrame), asc(titles.id));
  const cueRows = await db
    .select()
    .from(cues)
    .where(eq(cues.projectId, id))
    .orderBy(asc(cues.startFrame), asc(cues.id));
  return {
    id,
    settings: { name: row.name, production: row.production, format: row.format, rate: row.rate },
    clips: clipRows.map(({ projectId: _, source, ...clip }) => ({
      ...clip,
      ...(source === null ? {} : { source }),
    })),
    titles: titleRows.map(({ projectId: _, ...title }) => title),
    cues: cueRows.map(({ projectId: _, ...cue }) => cue),
    plan: row.plan ?? newPlan(row.format),
    planRevision: row.planRevision,
    emptied: row.emptied ?? [],
  };
}

/** Forgets what became empty: somebody has seen it. */
export async function forgetEmptied(db: Db, id: string): Promise<void> {
  await db.update(projects).set({ emptied: null }).where(eq(projects.id, id));
}

/** Adds a project with its clips, and its plan where it has one. */
export async function insertProject(
  db: Db,
  id: string,
  settings: ProjectSettings,
  list: readonly Clip[],
  plan: Plan | null = null,
): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.insert(projects).values({ id, ...settings, plan, planRevision: plan === null ? 0 : 1 });
    for (const part of inParts(list)) {
      await tx.insert(clips).values(part.map((clip) => ({ ...clip, projectId: id, revision: 1 })));
    }
  });
}

/**
 * Saves changes of a project all together or not at all, and gives the new revisions. Throws StaleWriteError when
 * one of the things that are changed has moved on.
 */
export async function changeProject(
  db: Db,
  projectId: string,
  changes: ProjectChanges,
): Promise<ProjectRevisions> {
  return db.transaction((tx) => changeWithin(tx, projectId, changes));
}

async function changeWithin(
  tx: Parameters<Parameters<Db['transaction']>[0]>[0],
  projectId: string,
  changes: ProjectChanges,
): Promise<ProjectRevisions> {
  await touch(tx, projectId);
  return {
    titles: await changeRows('title', changes.titles, {
      find: (ids) =>
        tx
          .select()
          .from(titles)
          .where(and(eq(titles.projectId, projectId), inArray(titles.id, [...ids])))
          .for('update'),
      put: (rows) =>
        tx
          .insert(titles)
          .values(rows.map((row) => ({ ...row, projectId })))
          .onConflictDoUpdate({
            target: titles.id,
            set: overwritten(titles),
            setWhere: eq(titles.projectId, projectId),
          })
          .returning({ id: titles.id }),
      remove: (ids) => tx.delete(titles).where(inArray(titles.id, [...ids])),
    }),
    clips: await changeRows('clip', changes.clips, {
      find: (ids) =>
        tx
          .select()
          .from(clips)
          .where(and(eq(clips.projectId, projectId), inArray(clips.id, [...ids])))
          .for('update'),
      put: (rows) =>
        tx
          .insert(clips)
          .values(rows.map((row) => ({ ...row, projectId })))
          .onConflictDoUpdate({
            target: clips.id,
            set: overwritten(clips),
            setWhere: eq(clips.projectId, projectId),
          })
          .returning({ id: clips.id }),
      remove: (ids) => tx.delete(clips).where(inArray(clips.id, [...ids])),
    }),
    cues: await changeRows('cue', changes.cues, {
      find: (ids) =>
        tx
          .select()
          .from(cues)
          .where(and(eq(cues.projectId, projectId), inArray(cues.id, [...ids])))
          .for('update'),
      put: (rows) =>
        tx
          .insert(cues)
          .values(rows.map((row) => ({ ...row, projectId })))
          .onConflictDoUpdate({
            target: cues.id,
            set: overwritten(cues),
            setWhere: eq(cues.projectId, projectId),
          })
          .returning({ id: cues.id }),
      remove: (ids) => tx.delete(cues).where(inArray(cues.id, [...ids])),
    }),
    plan: changes.plan === null ? null : await changePlan(tx, projectId, changes.plan),
  };
}

/** Changes what a project says of itself together with all that follows from it. Throws StaleWriteError. */
export async function changeSettings(
  db: Db,
  projectId: string,
  settings: ProjectSettings,
  changes: ProjectChanges,
): Promise<void> {
  await db.transaction(async (tx) => {
    await changeWithin(tx, projectId, changes);
    await tx.update(projects).set(settings).where(eq(projects.id, projectId));
  });
}

type Transaction = Pick<Db, 'select' | 'update'>;

async function changePlan(
  tx: Transaction,
  projectId: string,
  { value, revision }: { readonly value: Plan; readonly revision: number },
): Promise<number> {
  const mine = eq(projects.id, projectId);
  const [row] = await tx
    .select({ planRevision: projects.planRevision })
    .from(projects)
    .where(mine)
    .for('update');
  if (row?.planRevision !== revision) throw new StaleWriteError('project', row ?? null);
  await tx
    .update(projects)
    .set({ plan: value, planRevision: revision + 1 })
    .where(mine);
  return revision + 1;
}

interface Rows<T> {
  find(ids: readonly string[]): Promise<{ readonly id: string; readonly revision: number }[]>;
  /** Gives the rows that were put; one whose id is taken by another project is not among them. */
  put(rows: readonly (T & { readonly revision: number })[]): Promise<{ readonly id: string }[]>;
  remove(ids: readonly string[]): Promise<unknown>;
}

async function changeRows<T extends { readonly id: string }>(
  what: string,
  { put, remove }: RowChanges<T>,
  rows: Rows<T>,
): Promise<Record<string, number>> {
  const revisions: Record<string, number> = {};
  for (const part of inParts(put)) {
    const known = new Map((await rows.find(part.map(({ value }) => value.id))).map((row) => [row.id, row]));
    for (const { value, revision } of part) {
      const row = known.get(value.id);
      if ((row?.revision ?? null) !== revision) throw new StaleWriteError(what, row ?? null);
      revisions[value.id] = (revision ?? 0) + 1;
    }
    const done = await rows.put(part.map(({ value }) => ({ ...value, revision: revisions[value.id] })));
    if (done.length < part.length) throw new StaleWriteError(what, null);
  }
  for (const part of inParts(remove)) {
    const known = new Map((await rows.find(part.map(({ id }) => id))).map((row) => [row.id, row]));
    for (const { id, revision } of part) {
      const row = known.get(id);
      if (row !== undefined && row.revision !== revision) throw new StaleWriteError(what, row);
    }
    if (known.size > 0) await rows.remove([...known.keys()]);
  }
  return revisions;
}

// PostgreSQL takes 65 535 parameters in one statement.
const ROWS_IN_A_STATEMENT = 500;

function inParts<T>(list: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(list.length / ROWS_IN_A_STATEMENT) }, (_, i) =>
    list.slice(i * ROWS_IN_A_STATEMENT, (i + 1) * ROWS_IN_A_STATEMENT),
  );
}

/** Every column but the keys set to what was to be inserted. */
function overwritten(table: typeof titles | typeof clips | typeof cues): Record<string, SQL> {
  const columns = Object.entries(getTableColumns(table)).filter(
    ([key]) => key !== 'id' && key !== 'projectId',
  );
  return Object.fromEntries(
    columns.map(([key, column]) => [key, sql`excluded.${sql.identifier(column.name)}`]),
  );
}
