import type { HouseRecord } from '@/contract/house';
import { parseHouse, updateFinish } from '@/core/model/house';
import { InputError } from '@/core/kit/inputError';
import { findHouse, saveHouse } from '@/db/house';
import { readTemplates, saveTemplate } from '@/db/templates';
import { workshop } from '../workshop';

/** The house style with its revision. */
export async function getHouse(): Promise<HouseRecord> {
  return findHouse((await workshop()).db);
}

/** Saves the house style; gives the new revision. Throws InputError and StaleWriteError. */
export async function putHouse(body: Record<string, unknown>): Promise<number> {
  const { revision } = body;
  if (typeof revision !== 'number' || !Number.isInteger(revision) || revision < 0)
    throw InputError.of('Request, revision', 'a whole number', revision);
  const { db, news } = await workshop();
  const saved = await saveHouse(db, revision, parseHouse(body.document));
  news.tell({ kind: 'house' });
  return saved;
}

/**
 * Puts a finish anew on every template that uses it, save the one that is open where it was changed. Gives the
 * names of the templates that were changed.
 */
export async function spreadFinish(finishId: string, exceptTemplate: string | null): Promise<string[]> {
  const { db } = await workshop();
  const finish = (await findHouse(db)).document.finishes.find((one) => one.id === finishId);
  if (finish === undefined) throw InputError.of('Finish', 'a finish of the house', finishId);
  const changed: string[] = [];
  for (const { id, document, revision } of await readTemplates(db)) {
    const next = updateFinish(document, finish);
    if (next === document || id === exceptTemplate) continue;
    await saveTemplate(db, id, revision, next);
    changed.push(document.name);
  }
  return changed;
}
