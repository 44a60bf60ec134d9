import { nanoid } from 'nanoid';
import type {
  EditionFacts,
  EditionRecord,
  FolderMove,
  ShelfEntry,
  TemplateRecord,
  TemplateStart,
  TemplateSummary,
} from '@/contract/templates';
import { folderMovesSchema, templateStartSchema } from '@/contract/templates';
import { checkValue } from '@/core/model/check';
import { nameColours } from '@/core/model/houseChanges';
import type { Template } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import { InputError } from '@/core/kit/inputError';
import { FORMATS } from '@/core/frame/formats';
import { everyFace } from '@/core/resolve/faces';
import { STARTS } from '@/core/starts';
import { compile } from '@/core/timeline/compile';
import { findHouse } from '@/db/house';
import {
  findTemplate,
  folderOf,
  insertTemplate,
  listEditions,
  listShelf,
  listTemplates,
  moveTemplates,
  readEditions,
  readTemplates,
  releaseTemplate,
  saveTemplate,
} from '@/db/templates';
import { fontsFor } from '../fontFiles';
import { NotFoundError, readId, readRevision } from '../respond';
import { workshop } from '../workshop';
import { refuseDeleted } from './room';

/** Starts a template for a kind of title, a format and a rate; gives its id. */
export async function startTemplate(input: unknown): Promise<string> {
  const start = checkValue<TemplateStart>(templateStartSchema, input, 'New template');
  const { db } = await workshop();
  if (start.copyOf !== undefined) {
    const { document } = await getTemplate(start.copyOf);
    return keptTemplate({ ...document, name: start.name, production: start.production });
  }
  const { areas, colours } = (await findHouse(db)).document;
  const begun = nameColours(STARTS.get(start.start ?? 'one-line').begin(start), colours);
  return keptTemplate(parseTemplate({ ...begun, areas }, 'New template'));
}

async function keptTemplate(document: Template, folder = ''): Promise<string> {
  const id = nanoid(12);
  await insertTemplate((await workshop()).db, id, document, folder);
  return id;
}

/** Starts a template from a copy of another's present state, in the same folder; gives its id. */
export async function copyTemplate(fromId: string): Promise<string> {
  const { document } = await getTemplate(fromId);
  const folder = await folderOf((await workshop()).db, fromId);
  return keptTemplate({ ...document, name: `${document.name} copy`.slice(0, 80) }, folder);
}

/** Puts templates into folders. Throws NotFoundError where one is not here, and moves none then. */
export async function putInFolders(input: unknown): Promise<void> {
  const { moves } = checkValue<{ moves: readonly FolderMove[] }>(folderMovesSchema, input, 'Move');
  const [missing] = await moveTemplates((await workshop()).db, moves);
  if (missing !== undefined) throw new NotFoundError(`There is no template "${missing}".`);
}

/** A template with its revision. Throws NotFoundError, and GoneError for one that was deleted. */
export async function getTemplate(id: string): Promise<TemplateRecord> {
  const { db } = await workshop();
  const found = await findTemplate(db, readId(id, 'template'));
  if (found === undefined) throw new NotFoundError(`There is no template "${id}".`);
  await refuseDeleted(db, 'template', id);
  return found;
}

/** All templates as they stand on the bench, as a list tells of them. */
export async function getTemplates(): Promise<TemplateSummary[]> {
  return listTemplates((await workshop()).db);
}

/** All templates as they stand on the bench, with their documents, for what looks into each. */
export async function getTemplateDocuments(): Promise<TemplateRecord[]> {
  return readTemplates((await workshop()).db);
}

const MOST_EDITIONS = 50;

/** Editions by their ids, at most 50 at once; those that are not here are left out. */
export async function getEditions(ids: readonly string[]): Promise<EditionRecord[]> {
  if (ids.length > MOST_EDITIONS)
    throw InputError.of('Request, ids', `at most ${MOST_EDITIONS} ids`, ids.length);
  return readEditions(
    (await workshop()).db,
    ids.map((id) => readId(id, 'edition')),
  );
}

/** Saves a template; gives the new revision. Everything in it is checked, and that it can be laid out. */
export async function putTemplate(id: string, body: Record<string, unknown>): Promise<number> {
  const revision = readRevision(body.revision);
  await getTemplate(id);
  const document = await checkTemplate(body.document);
  return saveTemplate((await workshop()).db, id, revision, document);
}

/** Releases a template as its next edition; gives the edition's number. */
export async function release(id: string, body: Record<string, unknown>): Promise<number> {
  const { db, news } = await workshop();
  const { document } = await getTemplate(id);
  if (document.layers.length === 0) {
    throw InputError.of(
      `Template "${document.name}"`,
      'at least one layer',
      'none',
      'Add a text or a box before you publish it.',
    );
  }
  const number = await releaseTemplate(db, id, readRevision(body.revision), nanoid(12));
  news.tell({ kind: 'edition', templateId: id, name: document.name, number });
  return number;
}

/** What stands on the shelf: the newest edition of each released template, with how much it is used. */
export async function getShelf(): Promise<ShelfEntry[]> {
  return listShelf((await workshop()).db);
}

async function checkTemplate(value: unknown): Promise<Template> {
  const document = parseTemplate(value);
  const fonts = await fontsFor(await workshop(), everyFace(document));
  compile(document, {}, FORMATS.get(document.formats[0]), fonts);
  return document;
}

/** All editions of a template, the newest first. Throws NotFoundError. */
export async function getEditionsOf(id: string): Promise<EditionFacts[]> {
  const list = await listEditions((await workshop()).db, readId(id, 'template'));
  if (list.length === 0) throw new NotFoundError(`The template "${id}" has no edition.`);
  return list;
}
