import * as yup from 'yup';
import type { Cue } from '../core/model/captions';
import { cueSchema } from '../core/model/captions';
import type { Plan } from '../core/model/plan';
import { planSchema } from '../core/model/plan';
import type { Clip, ProjectSettings, Title } from '../core/model/project';
import { clipSchema, settingsSchema, titleSchema } from '../core/model/project';
import type { TypeOf } from './schema';
import { documentOf, text, whole } from './schema';
import { editionRecordSchema } from './templates';

/** A thing of a project as it is kept, with the revision that it is at. */
export type Saved<T> = T & { readonly revision: number };

/** The thing itself. */
export function withoutRevision<T extends { readonly revision: number }>({
  revision: _,
  ...value
}: T): Omit<T, 'revision'> {
  return value;
}

/** Words that a title showed although nobody typed them: a sample that earlier versions sent to air. */
const emptiedWordsSchema = yup.object({ titleId: text(), fieldId: text(), label: text(), words: text() });
export type EmptiedWords = TypeOf<typeof emptiedWordsSchema>;

const record = {
  id: text(),
  settings: documentOf<ProjectSettings>(settingsSchema),
  /** With a revision each, like the titles. */
  clips: yup
    .array()
    .of(documentOf<Saved<Clip>>(clipSchema.concat(yup.object({ revision: whole() }))))
    .required(),
  titles: yup
    .array()
    .of(documentOf<Saved<Title>>(titleSchema.concat(yup.object({ revision: whole() }))))
    .required(),
  /** The cues of its caption tracks, with a revision each. */
  cues: yup
    .array()
    .of(documentOf<Saved<Cue>>(cueSchema.concat(yup.object({ revision: whole() }))))
    .required(),
  plan: documentOf<Plan>(planSchema),
  /** 0 while nobody has changed it. */
  planRevision: whole(),
  /** What became empty when sample words stopped going to air, until somebody has seen it. */
  emptied: yup.array().of(emptiedWordsSchema.required()).required(),
};
/** A project in a list. */
export const projectSummarySchema = yup.object({
  id: text(),
  name: text(),
  production: text(),
  format: text(),
  rate: text(),
  titleCount: whole(),
  /** The picture of its first clip; empty for a strip without clips. */
  picture: text(),
  /** When it was last worked on, as an ISO time. */
  changedAt: text(),
});
export type ProjectSummary = TypeOf<typeof projectSummarySchema>;

/**
 * Everything the desk needs of a project: the editions that its titles use and the newest of their templates, and the
 * ids of the newest editions of all other templates, which are asked for once the desk is open.
 */
export const deskProjectSchema = yup.object({
  ...record,
  editions: yup.array().of(editionRecordSchema.required()).required(),
  otherEditions: yup.array().of(yup.string().required()).required(),
});
export type DeskProject = TypeOf<typeof deskProjectSchema>;

/** A project as it is kept, with a revision for each thing that can be changed by itself. */
export type ProjectRecord = Omit<DeskProject, 'editions' | 'otherEditions'>;

const rowChanges = (row: yup.Schema) =>
  yup.object({
    put: yup
      .array()
      .of(yup.object({ value: row, revision: yup.number().integer().defined().nullable() }))
      .max(10_000),
    remove: yup
      .array()
      .of(yup.object({ id: text(), revision: whole() }))
      .max(10_000),
  });

/** Changes to a project, as they are sent. A null revision means that a row is new; what is left out stays. */
export const projectChangesSchema = yup.object({
  titles: rowChanges(titleSchema),
  clips: rowChanges(clipSchema),
  cues: rowChanges(cueSchema),
  plan: yup.object({ value: planSchema, revision: whole() }).nullable(),
  by: yup.string().max(40),
});

/** What a project says of itself, to be changed; a new rate keeps the time of everything. */
export const projectSettingsSchema = yup.object({ settings: settingsSchema, by: yup.string().max(40) });

/** What is put in and taken away of a list. A null revision means that it is new. */
export interface RowChanges<T> {
  readonly put: readonly { readonly value: T; readonly revision: number | null }[];
  readonly remove: readonly { readonly id: string; readonly revision: number }[];
}

/** Changes to a project once they were checked; null where the plan is left as it is. */
export interface ProjectChanges {
  readonly titles: RowChanges<Title>;
  readonly clips: RowChanges<Clip>;
  readonly cues: RowChanges<Cue>;
  readonly plan: { readonly value: Plan; readonly revision: number } | null;
}

/** The revisions after a change, by id. */
export interface ProjectRevisions {
  readonly titles: Readonly<Record<string, number>>;
  readonly clips: Readonly<Record<string, number>>;
  readonly cues: Readonly<Record<string, number>>;
  readonly plan: number | null;
}
