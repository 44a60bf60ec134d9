import * as yup from 'yup';
import { folderSchema } from '../core/model/folders';
import type { Template } from '../core/model/template';
import { templateSchema } from '../core/model/templateSchema';
import { STARTS } from '../core/starts';
import type { TypeOf } from './schema';
import { documentOf, figure, moment, text, texts, whole } from './schema';

/** What lists tell of a template (`core/resolve/listed.ts`). */
const listed = {
  name: text(),
  kind: text(),
  production: text(),
  description: text(),
  tags: yup.array().of(text()).default(undefined).optional(),
  formats: texts(),
  inSeconds: figure(),
  holdSeconds: figure(),
  outSeconds: figure(),
  fieldCount: whole(),
  words: text(),
};

const bench = {
  id: text(),
  revision: whole(),
  releasedRevision: yup.number().integer().defined().nullable(),
  latestEdition: whole(),
};

/** A template in the list of the bench. */
export const templateSummarySchema = yup.object({ ...bench, folder: text(), ...listed });
export type TemplateSummary = TypeOf<typeof templateSummarySchema>;

/** A template as it is worked on. */
export const templateRecordSchema = yup.object({ ...bench, document: documentOf<Template>(templateSchema) });
export type TemplateRecord = TypeOf<typeof templateRecordSchema>;

const release = { id: text(), templateId: text(), number: whole(), releasedAt: moment() };

/** A template as it was released. */
export const editionRecordSchema = yup.object({ ...release, document: documentOf<Template>(templateSchema) });
export type EditionRecord = TypeOf<typeof editionRecordSchema>;

/** A template on the shelf: its newest edition, and the number of titles that use any edition of it. */
export const shelfEntrySchema = yup.object({ ...release, folder: text(), ...listed, totalUses: whole() });
export type ShelfEntry = TypeOf<typeof shelfEntrySchema>;

/** Templates that go into folders; empty for out of any. */
export const folderMovesSchema = yup
  .object({
    moves: yup
      .array()
      .of(
        yup
          .object({ id: yup.string().required().max(64), folder: folderSchema })
          .noUnknown()
          .required(),
      )
      .required()
      .min(1)
      .max(2000),
  })
  .noUnknown()
  .required();
export type FolderMove = TypeOf<typeof folderMovesSchema>['moves'][number];

/** What a package became: the new template, faces that it asks for and that are not here, and notes on its pictures. */
export const broughtInSchema = yup.object({
  id: text(),
  name: text(),
  missingFaces: texts(),
  notes: texts(),
});
export type BroughtIn = TypeOf<typeof broughtInSchema>;

/** What a template is started with. */
export const templateStartSchema = yup
  .object({
    name: yup.string().required().min(1).max(80),
    kind: yup.string().required(),
    production: yup.string().defined().max(80),
    format: yup.string().required(),
    rate: yup.string().required(),
    /** What it begins with; one line of text when left out. */
    start: yup.string().oneOf(STARTS.list.map(({ id }) => id)),
    /** The template that it is a copy of, with another name and production. */
    copyOf: yup.string().min(1).max(64),
  })
  .noUnknown()
  .required();
export type TemplateStart = TypeOf<typeof templateStartSchema>;

/** An edition in a list. */
export const editionFactsSchema = yup.object({ id: text(), number: whole(), releasedAt: text() });
export type EditionFacts = TypeOf<typeof editionFactsSchema>;
