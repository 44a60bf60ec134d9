import {
  bigint,
  boolean,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { FileFacts, FilesGone, Handover, JobFailure, JobProgress, JobStatus } from '@/contract/jobs';
import type { EmptiedWords } from '@/contract/projects';
import type { Away } from '@/contract/room';
import type { FaceFacts } from '@/core/faces/faceFile';
import type { Face } from '@/core/faces/faces';
import type { ScriptFallback } from '@/core/faces/fallback';
import type { House } from '@/core/model/house';
import type { Cue, CuePlace } from '@/core/model/captions';
import type { Plan } from '@/core/model/plan';
import type { Clip, Edge, Scrim, Shift, Title } from '@/core/model/project';
import type { FieldValues, Template } from '@/core/model/template';
import type { Plane } from '@/core/outputs/output';
import type { PaintedTitle } from '@/core/project/deliver';
import type { GroundClip } from '@/core/project/ground';
import type { ListedTemplate } from '@/core/resolve/listed';

const bytea = customType<{ data: Uint8Array }>({ dataType: () => 'bytea' });
const now = () => timestamp({ withTimezone: true, mode: 'date' }).notNull().defaultNow();
/** Whether a thing is out of the way: set aside for as long as one likes, or deleted for a month; null while in use. */
const away = () => text().$type<Away>();
const awayAt = () => timestamp('away_at', { withTimezone: true, mode: 'date' });

/** What this data folder has been through, by name: the demo was put in, say. */
export const facts = pgTable('facts', {
  id: text().primaryKey(),
  at: now(),
});

export const templates = pgTable('templates', {
  id: text().primaryKey(),
  name: text().notNull(),
  kind: text().notNull(),
  production: text().notNull(),
  /** Where it is kept, at once and without an edition of its own; empty for no folder. */
  folder: text().notNull().default(''),
  document: jsonb().$type<Template>().notNull(),
  /** What lists tell of the document; null until it was looked at. */
  listed: jsonb().$type<ListedTemplate>(),
  revision: integer().notNull(),
  /** The revision that was last released; equal to revision when nothing has changed since. */
  releasedRevision: integer('released_revision'),
  updatedAt: now(),
  away: away(),
  awayAt: awayAt(),
});

export const editions = pgTable(
  'editions',
  {
    id: text().primaryKey(),
    templateId: text('template_id')
      .notNull()
      .references(() => templates.id),
    number: integer().notNull(),
    document: jsonb().$type<Template>().notNull(),
    /** What lists tell of the document; null until it was looked at. */
    listed: jsonb().$type<ListedTemplate>(),
    releasedAt: now(),
  },
  (table) => [uniqueIndex('editions_template_number').on(table.templateId, table.number)],
);

/** The house style: one row. */
export const house = pgTable('house', {
  id: text().primaryKey(),
  document: jsonb().$type<House>().notNull(),
  revision: integer().notNull(),
});

export const projects = pgTable('projects', {
  id: text().primaryKey(),
  name: text().notNull(),
  production: text().notNull(),
  format: text().notNull(),
  rate: text().notNull(),
  /** null for the plan of a project that nobody has changed. */
  plan: jsonb().$type<Plan>(),
  planRevision: integer('plan_revision').notNull().default(0),
  /** Words that its titles showed although nobody typed them, until somebody has seen the list; null for none. */
  emptied: jsonb().$type<readonly EmptiedWords[]>(),
  createdAt: now(),
  /** When something of it was last saved; null for one that nobody has changed since this is kept. */
  changedAt: timestamp('changed_at', { withTimezone: true }),
  away: away(),
  awayAt: awayAt(),
});

export const clips = pgTable(
  'clips',
  {
    id: text().primaryKey(),
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    picture: text('scene').notNull(),
    label: text().notNull(),
    startFrame: integer('start_frame').notNull(),
    lengthFrames: integer('length_frames').notNull(),
    sourceStartFrame: integer('source_start_frame').notNull(),
    sourceLengthFrames: integer('source_length_frames'),
    place: text().notNull().default(''),
    recordedAt: text('recorded_at').notNull().default(''),
    /** What a cut list says of its source; null for a clip that came from none. */
    source: jsonb().$type<NonNullable<Clip['source']>>(),
    revision: integer().notNull().default(1),
  },
  (table) => [index('clips_project').on(table.projectId, table.startFrame)],
);

export const titles = pgTable(
  'titles',
  {
    id: text().primaryKey(),
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    editionId: text('edition_id')
      .notNull()
      .references(() => editions.id),
    startFrame: integer('start_frame').notNull(),
    lengthFrames: integer('length_frames').notNull(),
    lane: integer().notNull(),
    values: jsonb().$type<FieldValues>().notNull(),
    keepsEdition: boolean('keeps_edition').notNull().default(false),
    heldTo: text('held_to').$type<Title['heldTo']>().notNull().default('clip'),
    fadeInFrames: integer('fade_in_frames').notNull().default(0),
    fadeOutFrames: integer('fade_out_frames').notNull().default(0),
    shift: jsonb().$type<Shift | null>(),
    scrim: jsonb().$type<Scrim | null>(),
    edge: jsonb().$type<Edge | null>(),
    perDelivery: jsonb('per_delivery').$type<Title['perDelivery']>().notNull().default({}),
    kept: jsonb().$type<Title['kept']>().notNull().default([]),
    moments: jsonb().$type<NonNullable<Title['moments']>>().notNull().default({}),
    cameAs: jsonb('came_as').$type<NonNullable<Title['cameAs']>>().notNull().default({}),
    credits: jsonb().$type<Title['credits']>(),
    revision: integer().notNull(),
  },
  (table) => [
    index('titles_project').on(table.projectId, table.startFrame),
    index('titles_edition').on(table.editionId),
  ],
);

export const cues = pgTable(
  'cues',
  {
    id: text().primaryKey(),
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    trackId: text('track_id').notNull(),
    startFrame: integer('start_frame').notNull(),
    lengthFrames: integer('length_frames').notNull(),
    words: text().notNull(),
    speaker: text().notNull(),
    place: text().$type<Cue['place']>().notNull(),
    align: text().$type<Cue['align']>().notNull(),
    forced: boolean().notNull(),
    guessed: boolean().notNull(),
    revision: integer().notNull(),
  },
  (table) => [index('cues_project').on(table.projectId, table.startFrame)],
);

export const assets = pgTable(
  'assets',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    mediaType: text('media_type').notNull(),
    hash: text().notNull(),
    widthPx: integer('width_px').notNull(),
    heightPx: integer('height_px').notNull(),
    /** The size that the file said it has; a drawing is kept with more pixels than that. */
    ownWidth: doublePrecision('own_width').notNull(),
    ownHeight: doublePrecision('own_height').notNull(),
    /** Only of pictures from before they lay in the data folder; taken out of here when it is opened. */
    bytes: bytea(),
    byteCount: integer('byte_count').notNull(),
    createdAt: now(),
    away: away(),
    awayAt: awayAt(),
  },
  (table) => [uniqueIndex('assets_hash').on(table.hash)],
);

/** Videos; their bytes lie in the data folder. */
/** Font files that the House took in; their bytes lie in the data folder. */
export const fonts = pgTable('fonts', {
  /** SHA-256 of the bytes. */
  id: text().primaryKey(),
  fileName: text('file_name').notNull(),
  byteCount: integer('byte_count').notNull(),
  facts: jsonb().$type<FaceFacts>().notNull(),
  /** Of files with one family, weight and slope only one is. */
  inUse: boolean('in_use').notNull(),
  createdAt: now(),
});

export const media = pgTable('media', {
  id: text().primaryKey(),
  name: text().notNull(),
  byteCount: bigint('byte_count', { mode: 'number' }).notNull(),
  hash: text().notNull(),
  /** 0 for one that nobody looked into. */
  seconds: doublePrecision().notNull().default(0),
  startTimecode: text('start_timecode').notNull().default(''),
  createdAt: now(),
  away: away(),
  awayAt: awayAt(),
});

/** A title as it was when it was sent to the press. */
export interface JobTitle {
  readonly titleId: string;
  readonly fileStem: string;
  readonly document: Template;
  readonly values: FieldValues;
  readonly lengthFrames: number;
  /** Left out by jobs that were sent before titles had them. */
  readonly shift?: Shift | null;
  readonly scrim?: Scrim | null;
  readonly edge?: Edge | null;
  readonly moments?: Title['moments'];
  readonly credits?: Title['credits'];
  readonly fadeInFrames?: number;
  readonly fadeOutFrames?: number;
  /** The label of its first frame in the project's timecode, as a count of frames; left out by older jobs. */
  readonly timecodeFrame?: number;
  /** Where it belongs in its project; it decides nothing of what is painted. */
  readonly place?: JobPlace;
  /** For stills: the one frame that is wanted. */
  readonly onlyFrame: number | null;
  /** What its file's pixels are; left out for straight alpha. */
  readonly plane?: Plane;
}

/** Where a title belongs in its project, and what it says. */
export interface JobPlace {
  readonly number: number;
  readonly startFrame: number;
  readonly lane: number;
  readonly words: string;
  /** The number of its edition; left out by older jobs. */
  readonly edition?: number;
}

/** What goes beside the files of a job as it was when the job was sent. */
export interface JobPaper {
  readonly name: string;
  readonly mediaType: string;
  readonly base64: string;
}

/** A title or a caption of a whole programme; its template is one of the programme's. */
export interface JobPart extends PaintedTitle {
  readonly startFrame: number;
  readonly lane: number;
  readonly values: FieldValues;
  /** Which of the programme's templates. */
  readonly document: number;
  readonly place: CuePlace | null;
  readonly painted: boolean;
  /** The number of a title in its project; left out by captions. */
  readonly number?: number;
}

/** What lies under a programme that goes out with its pictures. */
export interface JobGround {
  readonly clips: readonly GroundClip[];
  /** Whether timecode and the numbers of titles are burnt in. */
  readonly burnIn: boolean;
}

/** A whole programme in one file, as it was when it was sent to the press. */
export interface JobProgramme {
  readonly titleId: string;
  readonly fileStem: string;
  readonly lengthFrames: number;
  readonly onlyFrame: null;
  readonly timecodeFrame?: number;
  readonly documents: readonly Template[];
  readonly parts: readonly JobPart[];
  /** Left out by what goes out with alpha. */
  readonly ground?: JobGround;
  /** What its file's pixels are; left out for straight alpha. */
  readonly plane?: Plane;
}

/** What becomes one file. */
export type JobContent = JobTitle | JobProgramme;

export interface JobPayload {
  readonly name: string;
  /** The project and the delivery that it is made for; left out by orders of other systems, and by older jobs. */
  readonly origin?: string;
  readonly output: string;
  readonly format: string;
  /** Left out by jobs from before rolls went by lines of a field. */
  readonly interlaced?: boolean;
  /** Whether timecode drops numbers. */
  readonly drop?: boolean;
  readonly rate: string;
  /** Whether colours are held to those of composite video. */
  readonly limited?: boolean;
  /** Whether black is at 16 and white at 235. */
  readonly studio?: boolean;
  /** Whether more than 256 shades a channel were asked for. */
  readonly fine?: boolean;
  /** The folder under the folder of delivery that its files are put into; left out where they stay here. */
  readonly folder?: string;
  /** How many of its files got a figure, since their names would have been alike. */
  readonly alike?: number;
  /** The language (BCP 47) of words whose field says none; left out by jobs from before there was one. */
  readonly language?: string;
  /** The House's own faces that its titles are set in, as they were when it was ordered; left out for none. */
  readonly faces?: readonly Face[];
  /** What the House had said of letters that a face lacks; left out for the usual order. */
  readonly fallbacks?: readonly ScriptFallback[];
  readonly titles: readonly JobContent[];
  /** Caption files; left out by jobs from before there were any. */
  readonly papers?: readonly JobPaper[];
}

export const jobs = pgTable(
  'jobs',
  {
    id: text().primaryKey(),
    status: text().$type<JobStatus>().notNull(),
    payload: jsonb().$type<JobPayload>().notNull(),
    // What a list tells of the payload.
    name: text().notNull(),
    output: text().notNull(),
    format: text().notNull(),
    rate: text().notNull(),
    titleCount: integer('title_count').notNull(),
    /** The client that ordered it; null for what was sent from the desk. */
    clientId: text('client_id'),
    /** What the client calls its order, so that it is taken once. */
    clientKey: text('client_key'),
    /** SHA-256 of what the client asked for. */
    orderHash: text('order_hash'),
    /** The higher, the sooner. */
    priority: integer().notNull().default(0),
    /** The names of what goes beside its files. */
    papers: jsonb().$type<readonly string[]>().notNull().default([]),
    progress: jsonb().$type<JobProgress>().notNull(),
    files: jsonb().$type<readonly FileFacts[]>().notNull(),
    failures: jsonb().$type<readonly JobFailure[]>().notNull().default([]),
    error: text(),
    /** How far its files are on their way to the folder of delivery; null where they stay here. */
    handover: jsonb().$type<Handover>(),
    /** Whether its files are kept however old they get. */
    keep: boolean().notNull().default(false),
    /** What its files were before they were deleted. */
    filesGone: jsonb('files_gone').$type<FilesGone>(),
    createdAt: now(),
    startedAt: timestamp('started_at', { withTimezone: true, mode: 'date' }),
    endedAt: timestamp('ended_at', { withTimezone: true, mode: 'date' }),
    away: away(),
    awayAt: awayAt(),
  },
  (table) => [
    index('jobs_status').on(table.status, table.createdAt),
    index('jobs_newest').on(table.createdAt, table.id),
    uniqueIndex('jobs_client_key').on(table.clientId, table.clientKey),
  ],
);

/** Processes that make titles, as long as they say that they are there. */
export const machines = pgTable('machines', {
  id: text().primaryKey(),
  name: text().notNull(),
  /** How many titles it makes side by side. */
  lanes: integer().notNull(),
  seenAt: timestamp('seen_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
});

/** Titles that are being made, by the id of their task. Who loses its row has lost the title to others. */
export const runs = pgTable(
  'runs',
  {
    id: uuid().primaryKey(),
    /** New for each try. */
    token: text().notNull(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    machineId: text('machine_id')
      .notNull()
      .references(() => machines.id, { onDelete: 'cascade' }),
    doneFrames: integer('done_frames').notNull().default(0),
    paintedFrames: integer('painted_frames').notNull().default(0),
  },
  (table) => [index('runs_job').on(table.jobId), index('runs_machine').on(table.machineId)],
);

/** Other systems that may order; their keys are kept as hashes only. */
export const clients = pgTable(
  'clients',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    keyHash: text('key_hash').notNull(),
    /** The beginning of the key, by which people tell it from others. */
    keyStart: text('key_start').notNull(),
    createdAt: now(),
    usedAt: timestamp('used_at', { withTimezone: true, mode: 'date' }),
    withdrawnAt: timestamp('withdrawn_at', { withTimezone: true, mode: 'date' }),
  },
  (table) => [uniqueIndex('clients_key').on(table.keyHash)],
);

/** Addresses that are told when a client's order is over. */
export const callbacks = pgTable('callbacks', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  url: text().notNull(),
  tries: integer().notNull().default(0),
  /** When it is tried next; null once it was told, or given up. */
  nextAt: timestamp('next_at', { withTimezone: true, mode: 'date' }).defaultNow(),
  toldAt: timestamp('told_at', { withTimezone: true, mode: 'date' }),
  /** Why the last try did not reach anybody. */
  error: text(),
});

/** Files that were put into the folder of delivery, by their path from there. */
export const handedFiles = pgTable('handed_files', {
  path: text().primaryKey(),
  sha256: text().notNull(),
  origin: text().notNull(),
});

/** Files that were made, by what decides their bytes. */
export const renders = pgTable(
  'renders',
  {
    key: text().primaryKey(),
    jobId: text('job_id').notNull(),
    /** The kind of file; left out by those from before it was kept. */
    output: text(),
    /** What stays the same when a title is changed and made again: see `lineKey`. */
    line: text(),
    madeAt: timestamp('made_at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
    facts: jsonb().$type<FileFacts>().notNull(),
  },
  (table) => [
    index('renders_output').on(table.output, table.madeAt),
    index('renders_line').on(table.line, table.madeAt),
  ],
);
