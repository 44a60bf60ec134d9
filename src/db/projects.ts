import { and, asc, eq, sql } from 'drizzle-orm';
import type { Clip, ProjectSettings, Title } from '@/core/document/project';
import type { Db } from './open';
import { clips, projects, titles } from './schema';
import { StaleWriteError } from './staleWrite';

export interface SavedTitle extends Title {
  readonly revision: number;
}

export interface ProjectRecord {
  readonly id: string;
  readonly settings: ProjectSettings;
  readonly clips: readonly Clip[];
  readonly titles: readonly SavedTitle[];
}

export interface ProjectSummary extends ProjectSettings {
  readonly id: string;
  readonly titleCount: number;
}

/** All projects, the newest first. */
export async function listProjects(db: Db): Promise<ProjectSummary[]> {
  const titleCount = sql<number>`(select count(*) from titles t where t.project_id = projects.id)`;
  return db
    .select({
      id: projects.id,
      name: projects.name,
      production: projects.production,
      format: projects.format,
      rate: projects.rate,
      titleCount: titleCount.mapWith(Number),
    })
    .from(projects)
    .orderBy(projects.createdAt);
}

/** A project with its clips and titles, or undefined. */
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
  return {
    id,
    settings: { name: row.name, production: row.production, format: row.format, rate: row.rate },
    clips: clipRows.map(({ projectId: _, ...clip }) => clip),
    titles: titleRows.map(({ projectId: _, ...title }) => title),
  };
}

/** Adds a project with its clips. */
export async function insertProject(
  db: Db,
  id: string,
  settings: ProjectSettings,
  list: readonly Clip[],
): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.insert(projects).values({ id, ...settings });
    if (list.length > 0) await tx.insert(clips).values(list.map((clip) => ({ ...clip, projectId: id })));
  });
}

/** Changes to a project's titles. A null revision means that the title is new. */
export interface TitleChanges {
  readonly put: readonly { readonly title: Title; readonly revision: number | null }[];
  readonly remove: readonly { readonly id: string; readonly revision: number }[];
}

/**
 * Saves title changes all together or not at all, and gives the new revisions by title id. Throws
 * StaleWriteError with the newer title when one of them has moved on.
 */
export async function changeTitles(
  db: Db,
  projectId: string,
  changes: TitleChanges,
): Promise<Record<string, number>> {
  return db.transaction(async (tx) => {
    const revisions: Record<string, number> = {};
    for (const { title, revision } of changes.put) {
      const { id, ...columns } = title;
      const mine = and(eq(titles.id, id), eq(titles.projectId, projectId));
      const [row] = await tx.select().from(titles).where(mine).for('update');
      if ((row?.revision ?? null) !== revision) throw new StaleWriteError('title', row ?? null);
      const next = (revision ?? 0) + 1;
      if (row === undefined) await tx.insert(titles).values({ ...title, projectId, revision: next });
      else
        await tx
          .update(titles)
          .set({ ...columns, revision: next })
          .where(mine);
      revisions[id] = next;
    }
    for (const { id, revision } of changes.remove) {
      const mine = and(eq(titles.id, id), eq(titles.projectId, projectId));
      const [row] = await tx.select().from(titles).where(mine).for('update');
      if (row !== undefined && row.revision !== revision) throw new StaleWriteError('title', row);
      await tx.delete(titles).where(mine);
    }
    return revisions;
  });
}
