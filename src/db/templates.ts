import { and, asc, count, desc, eq, inArray, isNull, max, sql } from 'drizzle-orm';
import type {
  EditionFacts,
  EditionRecord,
  FolderMove,
  ShelfEntry,
  TemplateRecord,
  TemplateSummary,
} from '@/contract/templates';
import type { Template } from '@/core/model/template';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import type { ListedTemplate } from '@/core/resolve/listed';
import { listedOf } from '@/core/resolve/listed';
import type { Db } from './open';
import { editions, templates, titles } from './schema';
import { StaleWriteError } from './staleWrite';

// Spelt out: Drizzle leaves the table's name off in a query on one table, and "id" would be the inner one's.
const latestNumber = sql<number>`coalesce((select max(e.number) from editions e where e.template_id = templates.id), 0)`;

const templateColumns = {
  id: templates.id,
  document: templates.document,
  revision: templates.revision,
  releasedRevision: templates.releasedRevision,
  latestEdition: latestNumber.mapWith(Number),
};

/** The documents of all templates that are in use, the last changed first. For what looks into each; not for lists. */
export function readTemplates(db: Db): Promise<TemplateRecord[]> {
  return db
    .select(templateColumns)
    .from(templates)
    .where(isNull(templates.away))
    .orderBy(desc(templates.updatedAt), templates.name)
    .then((rows) => rows.map(upToDate));
}

/** All templates that are in use, as a list tells of them, the last changed first. */
export async function listTemplates(db: Db): Promise<TemplateSummary[]> {
  const numbers = db
    .select({ templateId: editions.templateId, latest: max(editions.number).as('latest') })
    .from(editions)
    .groupBy(editions.templateId)
    .as('numbers');
  const rows = await db
    .select({
      id: templates.id,
      folder: templates.folder,
      listed: templates.listed,
      revision: templates.revision,
      releasedRevision: templates.releasedRevision,
      latestEdition: numbers.latest,
    })
    .from(templates)
    .leftJoin(numbers, eq(numbers.templateId, templates.id))
    .where(isNull(templates.away))
    .orderBy(desc(templates.updatedAt), templates.name);
  return rows.flatMap(({ listed, latestEdition, ...row }) =>
    listed === null ? [] : [{ ...row, ...listed, latestEdition: latestEdition ?? 0 }],
  );
}

// Made once: a collator costs more than many comparisons.
const BY_NAME = new Intl.Collator('und');

/** The newest edition of each template that is in use, as the shelf tells of it, by name. */
export async function listShelf(db: Db): Promise<ShelfEntry[]> {
  const uses = db
    .select({ templateId: editions.templateId, totalUses: count(titles.id).as('total_uses') })
    .from(editions)
    .innerJoin(titles, eq(titles.editionId, editions.id))
    .groupBy(editions.templateId)
    .as('uses');
  const rows = await db
    .selectDistinctOn([editions.templateId], {
      id: editions.id,
      templateId: editions.templateId,
      folder: templates.folder,
      number: editions.number,
      releasedAt: editions.releasedAt,
      listed: editions.listed,
      totalUses: uses.totalUses,
    })
    .from(editions)
    .innerJoin(templates, and(eq(templates.id, editions.templateId), isNull(templates.away)))
    .leftJoin(uses, eq(uses.templateId, editions.templateId))
    .orderBy(asc(editions.templateId), desc(editions.number));
  return rows
    .flatMap(({ listed, releasedAt, totalUses, ...row }) =>
      listed === null
        ? []
        : [{ ...row, ...listed, releasedAt: releasedAt.toISOString(), totalUses: totalUses ?? 0 }],
    )
    .sort((a, b) => BY_NAME.compare(a.name, b.name));
}

/** Looks at the documents whose facts for lists are not there yet: those of an earlier version. */
export async function completeListed(db: Db): Promise<void> {
  for (const table of [templates, editions] as const) {
    for (;;) {
      const rows = await db
        .select({ id: table.id, document: table.document })
        .from(table)
        .where(isNull(table.listed))
        .limit(100);
      if (rows.length === 0) break;
      for (const { id, document } of rows) {
        await db
          .update(table)
          .set({ listed: listedOf(storedTemplate(document)) })
          .where(eq(table.id, id));
      }
    }
  }
}

/** A template, or undefined when there is none with this id. */
export async function findTemplate(db: Db, id: string): Promise<TemplateRecord | undefined> {
  const rows = await db.select(templateColumns).from(templates).where(eq(templates.id, id));
  return rows.map(upToDate)[0];
}

/** Documents are kept as they were written; whoever reads them gets them as of this version. */
function upToDate<T extends { readonly document: Template }>(row: T): T {
  return { ...row, document: storedTemplate(row.document) };
}

/** Adds a template at revision 1, in a folder or, left out, in none. */
export async function insertTemplate(db: Db, id: string, document: Template, folder = ''): Promise<void> {
  await db.insert(templates).values({ id, document, folder, revision: 1, ...shelfColumns(document) });
}

/** Puts templates into folders, all of them or, where one is not here, none; gives those that are not here. */
export async function moveTemplates(db: Db, moves: readonly FolderMove[]): Promise<readonly string[]> {
  const ids = moves.map(({ id }) => id);
  return db.transaction(async (tx) => {
    const rows = await tx.select({ id: templates.id }).from(templates).where(inArray(templates.id, ids));
    const here = new Set(rows.map(({ id }) => id));
    const missing = ids.filter((id) => !here.has(id));
    if (missing.length > 0) return missing;
    for (const folder of new Set(moves.map((move) => move.folder))) {
      const moved = moves.filter((move) => move.folder === folder).map(({ id }) => id);
      await tx.update(templates).set({ folder }).where(inArray(templates.id, moved));
    }
    return [];
  });
}

/** The folder that a template is in; empty for none. */
export async function folderOf(db: Db, id: string): Promise<string> {
  const [row] = await db.select({ folder: templates.folder }).from(templates).where(eq(templates.id, id));
  return row?.folder ?? '';
}

const shelfColumns = (
  document: Template,
): Pick<Template, 'name' | 'kind' | 'production'> & { readonly listed: ListedTemplate } => ({
  name: document.name,
  kind: document.kind,
  production: document.production,
  listed: listedOf(document),
});

/** Saves a template made from `revision`; throws StaleWriteError with the newer state if it has moved on. */
export async function saveTemplate(
  db: Db,
  id: string,
  revision: number,
  document: Template,
): Promise<number> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .select({ revision: templates.revision, document: templates.document })
      .from(templates)
      .where(eq(templates.id, id))
      .for('update');
    if (row === undefined || row.revision !== revision) throw new StaleWriteError('template', row ?? null);
    await tx
      .update(templates)
      .set({ document, revision: revision + 1, updatedAt: new Date(), ...shelfColumns(document) })
      .where(eq(templates.id, id));
    return revision + 1;
  });
}

/** Releases what the template says at `revision` as its next edition; throws StaleWriteError if it has moved on. */
export async function releaseTemplate(
  db: Db,
  id: string,
  revision: number,
  editionId: string,
): Promise<number> {
  return db.transaction(async (tx) => {
    const [row] = await tx.select().from(templates).where(eq(templates.id, id)).for('update');
    if (row === undefined || row.revision !== revision) throw new StaleWriteError('template', row ?? null);
    const [last] = await tx
      .select({ number: editions.number })
      .from(editions)
      .where(eq(editions.templateId, id))
      .orderBy(desc(editions.number))
      .limit(1);
    const number = (last?.number ?? 0) + 1;
    const { document } = row;
    const listed = listedOf(storedTemplate(document));
    await tx.insert(editions).values({ id: editionId, templateId: id, number, document, listed });
    await tx.update(templates).set({ releasedRevision: revision }).where(eq(templates.id, id));
    return number;
  });
}

/** Which of some ids are those of editions. */
export async function knownEditions(db: Db, ids: readonly string[]): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set();
  const rows = await db
    .select({ id: editions.id })
    .from(editions)
    .where(inArray(editions.id, [...ids]));
  return new Set(rows.map(({ id }) => id));
}

const editionColumns = {
  id: editions.id,
  templateId: editions.templateId,
  number: editions.number,
  document: editions.document,
  releasedAt: editions.releasedAt,
};

const toEdition = (
  row: Omit<EditionRecord, 'releasedAt'> & { readonly releasedAt: Date },
): EditionRecord => ({ ...upToDate(row), releasedAt: row.releasedAt.toISOString() });

/** Editions by their ids; those that are not here are left out. */
export async function readEditions(db: Db, ids: readonly string[]): Promise<EditionRecord[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select(editionColumns)
    .from(editions)
    .where(inArray(editions.id, [...ids]));
  return rows.map(toEdition);
}

/** All editions of a template, the newest first, without their documents. */
export async function listEditions(db: Db, templateId: string): Promise<EditionFacts[]> {
  const { id, number, releasedAt } = editions;
  const rows = await db
    .select({ id, number, releasedAt })
    .from(editions)
    .where(eq(editions.templateId, templateId))
    .orderBy(desc(number));
  return rows.map((row) => ({ ...row, releasedAt: row.releasedAt.toISOString() }));
}

/** The ids of the newest edition of each template that is in use, and of those that a project's titles use. */
export async function editionIdsFor(
  db: Db,
  projectId: string,
): Promise<{
  readonly used: readonly string[];
  readonly newest: readonly { id: string; templateId: string }[];
}> {
  const used = await db
    .selectDistinct({ id: titles.editionId })
    .from(titles)
    .where(eq(titles.projectId, projectId));
  const newest = await db
    .selectDistinctOn([editions.templateId], { id: editions.id, templateId: editions.templateId })
    .from(editions)
    .innerJoin(templates, and(eq(templates.id, editions.templateId), isNull(templates.away)))
    .orderBy(asc(editions.templateId), desc(editions.number));
  return { used: used.map(({ id }) => id), newest };
}
