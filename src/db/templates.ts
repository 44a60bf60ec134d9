import { desc, eq, inArray, sql } from 'drizzle-orm';
import type { EditionRecord, TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import type { Db } from './open';
import { editions, templates } from './schema';
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

/** All templates, the last changed first. */
export function listTemplates(db: Db): Promise<TemplateRecord[]> {
  return db
    .select(templateColumns)
    .from(templates)
    .orderBy(desc(templates.updatedAt), templates.name)
    .then((rows) => rows.map(upToDate));
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

/** Adds a template at revision 1. */
export async function insertTemplate(db: Db, id: string, document: Template): Promise<void> {
  await db.insert(templates).values({ id, document, revision: 1, ...shelfColumns(document) });
}

const shelfColumns = ({
  name,
  kind,
  production,
}: Template): Pick<Template, 'name' | 'kind' | 'production'> => ({
  name,
  kind,
  production,
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
    await tx.insert(editions).values({ id: editionId, templateId: id, number, document: row.document });
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

/** Every edition of every template, the newest of each first. */
export async function listEditions(db: Db): Promise<EditionRecord[]> {
  const uses = sql<number>`(select count(*) from titles t where t.edition_id = editions.id)`;
  const rows = await db
    .select({
      id: editions.id,
      templateId: editions.templateId,
      number: editions.number,
      document: editions.document,
      releasedAt: editions.releasedAt,
      uses: uses.mapWith(Number),
    })
    .from(editions)
    .orderBy(editions.templateId, desc(editions.number));
  return rows.map((row) => ({ ...upToDate(row), releasedAt: row.releasedAt.toISOString() }));
}
