import { asc, eq, inArray } from 'drizzle-orm';
import type { EmptiedWords } from '@/contract/projects';
import type { FieldValues, Template } from '@/core/model/template';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import { airValue, designValue, isWords } from '@/core/resolve/fieldValue';
import { isFact, setFact } from './facts';
import type { Db } from './open';
import { editions, projects, titles } from './schema';

const SAMPLES_STAY = 'samples-stay-samples';

/**
 * Notes, once, which titles of a folder from before showed sample words that nobody typed and that no longer go to air.
 */
export async function noteEmptiedWords(db: Db): Promise<void> {
  if (await isFact(db, SAMPLES_STAY)) return;
  for (const { id } of await db.select({ id: projects.id }).from(projects)) {
    const emptied = await emptiedIn(db, id);
    if (emptied.length > 0) await db.update(projects).set({ emptied }).where(eq(projects.id, id));
  }
  await setFact(db, SAMPLES_STAY);
}

async function emptiedIn(db: Db, projectId: string): Promise<EmptiedWords[]> {
  const rows = await db
    .select({ id: titles.id, editionId: titles.editionId, values: titles.values })
    .from(titles)
    .where(eq(titles.projectId, projectId))
    .orderBy(asc(titles.startFrame), asc(titles.id));
  const used = [...new Set(rows.map(({ editionId }) => editionId))];
  if (used.length === 0) return [];
  const documents = new Map(
    (
      await db
        .select({ id: editions.id, document: editions.document })
        .from(editions)
        .where(inArray(editions.id, used))
    ).map(({ id, document }) => [id, storedTemplate(document)]),
  );
  return rows.flatMap(({ id, editionId, values }) => {
    const template = documents.get(editionId);
    return template === undefined ? [] : untypedWords(id, template, values);
  });
}

function untypedWords(titleId: string, template: Template, values: FieldValues): EmptiedWords[] {
  return template.fields.flatMap((field) => {
    const untyped = isWords(field) && field.automatic === null && values[field.id] === undefined;
    const words = String(designValue(template, field)).trim();
    if (!untyped || words === '' || airValue(template, field) !== '') return [];
    return [{ titleId, fieldId: field.id, label: field.label, words: words.slice(0, 400) }];
  });
}
