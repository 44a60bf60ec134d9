import { asc, eq, inArray } from 'drizzle-orm';
import type { EmptiedWords } from '@/contract/projects';
import type { FieldValues, Template } from '@/core/model/template';
import { nameColours, nameColoursIn } from '@/core/model/houseChanges';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import { airValue, designValue, isWords } from '@/core/resolve/fieldValue';
import { isFact, setFact } from './facts';
import type { Db } from './open';
import { findHouse } from './house';
import { editions, house, projects, templates, titles } from './schema';

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

const COLOURS_HAVE_NAMES = 'colours-have-names';

/**
 * Has, once, every colour of a folder from before that is exactly the figure of one of the House refer to it: in
 * templates, in their editions, and in what is kept in the House. Nothing is painted otherwise by it, so no revision
 * counts it as a change.
 */
export async function nameKnownColours(db: Db): Promise<void> {
  if (await isFact(db, COLOURS_HAVE_NAMES)) return;
  const { document, revision } = await findHouse(db);
  const { colours } = document;
  await db.transaction(async (tx) => {
    for (const table of [templates, editions]) {
      for (const { id } of await tx.select({ id: table.id }).from(table)) {
        const [row] = await tx.select({ stored: table.document }).from(table).where(eq(table.id, id));
        const stored = storedTemplate(row.stored);
        const named = nameColours(stored, colours);
        if (named !== stored) await tx.update(table).set({ document: named }).where(eq(table.id, id));
      }
    }
    if (revision > 0) {
      const kept = nameColoursIn({ finishes: document.finishes, moves: document.moves }, colours);
      await tx.update(house).set({ document: { ...document, ...kept } });
    }
    await setFact(tx, COLOURS_HAVE_NAMES);
  });
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
