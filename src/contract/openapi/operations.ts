import * as yup from 'yup';
import {
  assetFactsSchema,
  copyStateSchema,
  received,
  takenPictureSchema,
  takenVideoSchema,
  videoFactsSchema,
} from '../assets';
import { houseRecordSchema } from '../house';
import {
  jobOrderSchema,
  jobOrdersSchema,
  jobSummarySchema,
  missingOutputsSchema,
  orderPreviewSchema,
  pressPageSchema,
} from '../jobs';
import {
  deskProjectSchema,
  projectChangesSchema,
  projectSettingsSchema,
  projectSummarySchema,
} from '../projects';
import { putAwaySchema, roomFactsSchema, roomListSchema, thingUsesSchema } from '../room';
import { documentOf, text, texts, whole } from '../schema';
import {
  broughtInSchema,
  editionFactsSchema,
  editionRecordSchema,
  shelfEntrySchema,
  templateRecordSchema,
  templateStartSchema,
  templateSummarySchema,
} from '../templates';
import { settingsSchema } from '../../core/model/project';
import { houseSchema } from '../../core/model/house';
import { templateSchema } from '../../core/model/templateSchema';

/** One thing that can be asked of the server. */
export interface Operation {
  readonly method: 'get' | 'head' | 'post' | 'put' | 'patch' | 'delete' | 'options';
  /** Under /api, with names in braces for the parts that change. */
  readonly path: string;
  readonly says: string;
  readonly query?: Readonly<Record<string, string>>;
  /** What is sent along: a JSON body, or a file as it is. */
  readonly body?: yup.Schema | 'file';
  /** What comes back: JSON, or the media type of anything else; null for nothing. */
  readonly answer: yup.Schema | string | null;
  readonly status?: number;
  /** The refusals that belong to it, beside those that every request may get. */
  readonly refusals?: readonly number[];
}

const listOf = (schema: yup.Schema): yup.Schema => yup.array().of(schema).required();
const made = yup.object({ id: text() });
const saved = yup.object({ revision: whole() });
const nothing = yup.object({});
const name = { name: 'The name of the file, with its ending.' };
const revisions = yup.object({
  titles: yup.object().required(),
  clips: yup.object().required(),
  cues: yup.object().required(),
  plan: yup.number().integer().defined().nullable(),
});

/** Everything that can be asked of the server, by path. */
export const OPERATIONS: readonly Operation[] = [
  {
    method: 'get',
    path: '/shelf',
    says: 'The newest edition of every template.',
    answer: listOf(shelfEntrySchema),
  },
  {
    method: 'get',
    path: '/templates',
    says: 'All templates as they stand on the bench, as a list tells of them.',
    query: { documents: 'Whole, with their documents.' },
    answer: listOf(templateSummarySchema),
  },
  {
    method: 'post',
    path: '/templates',
    says: 'Starts a template.',
    body: templateStartSchema,
    answer: made,
    status: 201,
  },
  {
    method: 'get',
    path: '/templates/{id}',
    says: 'A template with its document.',
    answer: templateRecordSchema,
    refusals: [404, 410],
  },
  {
    method: 'put',
    path: '/templates/{id}',
    says: 'Saves a template that was made from a revision.',
    body: yup.object({ revision: whole(), document: documentOf(templateSchema) }).required(),
    answer: saved,
    refusals: [404, 409, 410],
  },
  {
    method: 'post',
    path: '/templates/{id}/copy',
    says: 'Starts a template from another.',
    answer: made,
    status: 201,
    refusals: [404, 410],
  },
  {
    method: 'post',
    path: '/templates/{id}/release',
    says: 'Releases what a template says at a revision as its next edition.',
    body: saved,
    answer: yup.object({ edition: whole() }),
    refusals: [404, 409, 410],
  },
  {
    method: 'get',
    path: '/templates/{id}/editions',
    says: 'All editions of a template, the newest first.',
    answer: listOf(editionFactsSchema),
    refusals: [404],
  },
  {
    method: 'get',
    path: '/templates/{id}/package',
    says: 'A template with its pictures as one file.',
    answer: 'application/zip',
    refusals: [404, 410],
  },
  {
    method: 'get',
    path: '/editions',
    says: 'Editions with their documents.',
    query: { ids: 'At most 50 ids, divided by commas.' },
    answer: listOf(editionRecordSchema),
  },
  { method: 'get', path: '/projects', says: 'All projects.', answer: listOf(projectSummarySchema) },
  {
    method: 'post',
    path: '/projects',
    says: 'Starts a project.',
    body: settingsSchema,
    answer: made,
    status: 201,
  },
  {
    method: 'get',
    path: '/projects/{id}',
    says: 'A project with its clips, titles, plan and the editions they use.',
    answer: deskProjectSchema,
    refusals: [404, 410],
  },
  {
    method: 'put',
    path: '/projects/{id}',
    says: 'Changes the name, production, format and rate of a project; a new rate keeps the time of everything.',
    body: projectSettingsSchema,
    answer: nothing,
    refusals: [404, 409, 410],
  },
  {
    method: 'post',
    path: '/projects/{id}/copy',
    says: 'Makes a copy of a project with everything in it.',
    answer: made,
    status: 201,
    refusals: [404, 410],
  },
  {
    method: 'post',
    path: '/projects/{id}/changes',
    says: 'Saves changes of a project, all or none.',
    body: projectChangesSchema,
    answer: revisions,
    refusals: [404, 409, 410],
  },
  {
    method: 'delete',
    path: '/projects/{id}/emptied',
    says: 'Forgets which sample words became empty: somebody has seen the list.',
    answer: nothing,
    refusals: [404],
  },
  { method: 'get', path: '/house', says: 'The house style.', answer: houseRecordSchema },
  {
    method: 'put',
    path: '/house',
    says: 'Saves the house style that was made from a revision.',
    body: yup.object({ revision: whole(), document: documentOf(houseSchema) }).required(),
    answer: saved,
    refusals: [409],
  },
  {
    method: 'post',
    path: '/house/finishes/{id}',
    says: 'Puts a finish anew on all templates that use it; gives their names.',
    query: { except: 'The id of a template that is left as it is.' },
    answer: yup.object({ changed: texts() }),
  },
  {
    method: 'get',
    path: '/jobs',
    says: 'A page of jobs, the newest first.',
    query: { before: 'The id of a job: the page of those before it.' },
    answer: pressPageSchema,
  },
  {
    method: 'post',
    path: '/jobs',
    says: 'Sends titles to the press.',
    body: jobOrderSchema,
    answer: made,
    status: 201,
  },
  {
    method: 'post',
    path: '/orders',
    says: 'Sends titles to the press in several deliveries or kinds of file; all orders are taken, or none.',
    body: jobOrdersSchema,
    answer: yup.object({ ids: texts() }),
    status: 201,
  },
  {
    method: 'get',
    path: '/orders/missing',
    says: 'The kinds of file that this machine cannot make, and what each needs.',
    answer: missingOutputsSchema,
  },
  {
    method: 'post',
    path: '/orders/preview',
    says: 'What orders would come to: how many files are there already, and what the others take. Nothing is sent.',
    body: jobOrdersSchema,
    answer: orderPreviewSchema,
  },
  {
    method: 'get',
    path: '/jobs/events',
    says: 'Every change of a job as it happens.',
    answer: 'text/event-stream',
  },
  {
    method: 'get',
    path: '/jobs/{id}',
    says: 'A job as it stands.',
    answer: jobSummarySchema,
    refusals: [404, 410],
  },
  {
    method: 'post',
    path: '/jobs/{id}/cancel',
    says: 'Stops a job that waits or runs.',
    answer: nothing,
    refusals: [404, 409, 410],
  },
  {
    method: 'post',
    path: '/jobs/{id}/pause',
    says: 'Lets a job that waits or runs wait until it is queued again; what it had finished stays.',
    answer: nothing,
    refusals: [404, 409, 410],
  },
  {
    method: 'post',
    path: '/jobs/{id}/first',
    says: 'Puts a job before all others.',
    answer: nothing,
    refusals: [404, 409, 410],
  },
  {
    method: 'post',
    path: '/jobs/{id}/retry',
    says: 'Queues a job that failed, was stopped or is paused again; what it had finished stays.',
    answer: yup.object({}),
    refusals: [404, 409, 410],
  },
  {
    method: 'get',
    path: '/jobs/{id}/zip',
    says: 'All finished files of a job, and what goes beside them, in one zip.',
    answer: 'application/zip',
    refusals: [404, 409, 410],
  },
  {
    method: 'get',
    path: '/jobs/{id}/papers/{name}',
    says: 'What goes beside a job’s files: captions as a file, or a timeline that refers to its files.',
    answer: 'application/octet-stream',
    refusals: [404, 410],
  },
  {
    method: 'get',
    path: '/jobs/{id}/files/{name}',
    says: 'A finished file of a job, or a part of it.',
    query: { inline: 'To be shown, not saved.', rest: 'A picture of it at rest.' },
    answer: 'application/octet-stream',
    refusals: [404, 410, 416],
  },
  { method: 'get', path: '/assets', says: 'All pictures.', answer: listOf(assetFactsSchema) },
  {
    method: 'post',
    path: '/assets',
    says: 'Takes in a picture: PNG, JPEG, WebP or SVG, at most 40 MB.',
    query: name,
    body: 'file',
    answer: takenPictureSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'get',
    path: '/assets/{id}',
    says: 'The file of a picture.',
    answer: 'image/*',
    refusals: [404, 416],
  },
  {
    method: 'post',
    path: '/media',
    says: 'Takes in a video of at most 4 GB: MP4, MOV, WebM, MXF; of one that browsers cannot show a viewing copy is made.',
    query: name,
    body: 'file',
    answer: takenVideoSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'get',
    path: '/media',
    says: 'The videos that are in use, the newest first.',
    answer: yup.array().of(videoFactsSchema.required()).required(),
  },
  {
    method: 'get',
    path: '/media/{id}/copy',
    says: 'How far the viewing copy is of a video that browsers cannot show.',
    answer: copyStateSchema,
    refusals: [404],
  },
  {
    method: 'get',
    path: '/media/{id}/sound',
    says: 'How loud a video is over its time: a byte for each twenty-fifth of a second, none for one without sound.',
    answer: 'application/octet-stream',
    refusals: [404],
  },
  {
    method: 'get',
    path: '/media/{id}',
    says: 'The file of a video, or a part of it.',
    answer: 'video/*',
    refusals: [404, 416],
  },
  {
    method: 'post',
    path: '/packages',
    says: 'Takes in a template package of at most 200 MB.',
    query: name,
    body: 'file',
    answer: broughtInSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'options',
    path: '/uploads',
    says: 'What the server takes in pieces (tus 1.0).',
    answer: null,
    status: 204,
  },
  {
    method: 'post',
    path: '/uploads',
    says: 'Begins a file that comes in pieces (tus 1.0); its metadata are `filename` and `kind`: picture, package or video.',
    answer: null,
    status: 201,
    refusals: [507],
  },
  {
    method: 'head',
    path: '/uploads/{id}',
    says: 'How far a file is that comes in pieces (tus 1.0).',
    answer: null,
    status: 200,
  },
  {
    method: 'patch',
    path: '/uploads/{id}',
    says: 'The next piece of a file (tus 1.0). The last is answered with what became of the file.',
    body: 'file',
    answer: yup.object({ ...received, taken: yup.object().required() }),
    refusals: [507],
  },
  {
    method: 'delete',
    path: '/uploads/{id}',
    says: 'Gives up a file that comes in pieces (tus 1.0).',
    answer: null,
    status: 204,
  },
  {
    method: 'get',
    path: '/news',
    says: 'New editions, changed projects and the house style as it happens.',
    answer: 'text/event-stream',
  },
  { method: 'get', path: '/room', says: 'What takes room, and what is left.', answer: roomFactsSchema },
  {
    method: 'get',
    path: '/room/{kind}',
    says: 'The largest things of a kind.',
    query: { away: 'Those that are out of the way.' },
    answer: roomListSchema,
    refusals: [404],
  },
  {
    method: 'get',
    path: '/room/{kind}/{id}',
    says: 'What uses a thing.',
    answer: thingUsesSchema,
    refusals: [404],
  },
  {
    method: 'put',
    path: '/room/{kind}/{id}',
    says: 'Sets a thing aside, deletes it for 30 days, or brings it back.',
    body: putAwaySchema,
    answer: nothing,
    refusals: [404],
  },
  {
    method: 'delete',
    path: '/room/{kind}/{id}',
    says: 'Deletes a thing for good that nothing uses.',
    answer: nothing,
    refusals: [404, 409],
  },
  {
    method: 'post',
    path: '/backups',
    says: 'Makes a backup.',
    answer: yup.object({ name: text() }),
    status: 201,
    refusals: [409, 507],
  },
  {
    method: 'get',
    path: '/backups/{name}',
    says: 'The file of a backup.',
    answer: 'application/x-tar',
    refusals: [404, 416],
  },
  { method: 'delete', path: '/backups/{name}', says: 'Removes a backup.', answer: nothing, refusals: [404] },
  {
    method: 'post',
    path: '/backups/{name}/restore',
    says: 'Puts everything back as a backup has it; gives the name of a backup of what was there before.',
    answer: yup.object({ before: text() }),
    refusals: [404, 409, 507],
  },
  { method: 'get', path: '/openapi', says: 'This description.', answer: yup.object() },
];
