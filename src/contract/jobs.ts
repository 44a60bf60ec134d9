import * as yup from 'yup';
import { CAPTION_FORMATS } from '../core/formats/captions';
import { OUTPUTS } from '../core/outputs';
import { MOST_PATTERN_LETTERS } from '../core/outputs/namePattern';
import { PLANES } from '../core/outputs/output';
import type { TypeOf } from './schema';
import { figure, flag, moment, momentOrNull, sha256, text, texts, whole } from './schema';

/** A rendered file, as read back from it. */
const fileFactsSchema = yup.object({
  titleId: text(),
  name: text(),
  bytes: whole(),
  widthPx: whole(),
  heightPx: whole(),
  frames: whole(),
  codec: text(),
  framesPainted: whole(),
  /** How many of its frames were taken as they are coded in the file that was made of it before. */
  framesKept: whole().optional(),
  /** Largest difference of alpha (0 to 255) between a decoded frame and what was painted. */
  alphaErrorMax: figure(),
  /** The same of what is seen over black, grey and white, at the mean and at most; left out by older files. */
  colourErrorMean: figure().optional(),
  colourErrorMax: figure().optional(),
  /** How many decoded frames were compared; left out by older files, of which it was one. */
  comparedFrames: whole().optional(),
  /** What its pixels are; left out by older files, whose alpha is straight. */
  plane: yup.string().oneOf(PLANES),
  /** How many bits a channel it was painted and coded with; left out by older files, of which it was 8. */
  bits: whole().optional(),
  /** Whether its colours were held to those of composite video. */
  limited: yup.boolean(),
  /** Whether black is at 16 and white at 235. */
  studio: yup.boolean(),
  /** Whether it was painted with more than 256 shades a channel. */
  fine: yup.boolean(),
  /** How long it took to make; left out by older files. */
  seconds: figure().optional(),
  /** Whether it was made before and taken as it was. */
  reused: yup.boolean(),
  /** SHA-256 of the file; left out by files from before it was kept. */
  sha256: sha256().optional(),
});
export type FileFacts = TypeOf<typeof fileFactsSchema>;

/** A title of a job that could not be made, and why. */
const jobFailureSchema = yup.object({ titleId: text(), name: text(), message: text() });
export type JobFailure = TypeOf<typeof jobFailureSchema>;

/** How far the frames of a job are. */
const jobProgressSchema = yup.object({ doneFrames: whole(), totalFrames: whole(), paintedFrames: whole() });
export type JobProgress = TypeOf<typeof jobProgressSchema>;

/** Where a job stands. */
const jobStatusSchema = yup
  .string()
  .required()
  .oneOf(['queued', 'running', 'paused', 'done', 'failed', 'cancelled'] as const);
export type JobStatus = TypeOf<typeof jobStatusSchema>;

/** How far the files of a job are on their way to the folder of delivery. */
const handoverSchema = yup.object({
  /** The folder under the folder of delivery. */
  folder: yup.string().defined(),
  status: yup
    .string()
    .required()
    .oneOf(['waiting', 'put', 'failed'] as const),
  /** How many files were put, with what goes beside them. */
  files: whole(),
  /** Why some could not be put. */
  error: yup.string().defined().nullable(),
  at: momentOrNull(),
});
export type Handover = TypeOf<typeof handoverSchema>;

/** Files of a job that were deleted. */
const filesGoneSchema = yup.object({ at: moment(), files: whole(), bytes: whole() });
export type FilesGone = TypeOf<typeof filesGoneSchema>;

/** Finished files that are older than so many days. */
export const oldFilesSchema = yup.object({ jobs: whole(), files: whole(), bytes: whole() });
export type OldFiles = TypeOf<typeof oldFilesSchema>;

/** Whether the files of a job are kept however old they get. */
export const keepFilesSchema = yup.object({ keep: flag() }).noUnknown().required();

const state = {
  id: text(),
  status: jobStatusSchema,
  /** The higher, the sooner. */
  priority: whole(),
  progress: jobProgressSchema.required(),
  files: yup.array().of(fileFactsSchema.required()).required(),
  /** Titles that could not be made, while the others were. */
  failures: yup.array().of(jobFailureSchema.required()).required(),
  error: yup.string().defined().nullable(),
  createdAt: moment(),
  startedAt: momentOrNull(),
  endedAt: momentOrNull(),
};
/** A job as the press shows it. */
export const jobSummarySchema = yup.object({
  ...state,
  name: text(),
  output: text(),
  format: text(),
  rate: text(),
  titleCount: whole(),
  /** The names of what goes beside its files: captions as files, and timelines that refer to its files. */
  papers: yup.array().of(text()).required(),
  /** Null where its files stay here. */
  handover: handoverSchema.defined().nullable(),
  /** Whether its files are kept however old they get. */
  keep: flag(),
  /** What its files were before they were deleted; null while they are there. */
  filesGone: filesGoneSchema.defined().nullable(),
});
export type JobSummary = TypeOf<typeof jobSummarySchema>;

/** A machine that makes titles, and how many it makes side by side. */
const pressMachineSchema = yup.object({ id: text(), name: text(), lanes: whole() });
export type PressMachine = TypeOf<typeof pressMachineSchema>;

/** A page of the press: jobs, the newest first, and whether there are older ones and this machine can make videos. */
export const pressPageSchema = yup.object({
  jobs: yup.array().of(jobSummarySchema.required()).required(),
  hasMore: flag(),
  ffmpeg: flag(),
  /** For how many days finished files are kept; null where nobody deletes them by themselves. */
  filesDays: yup.number().defined().nullable(),
  /** The machines that are there; null where none but this one can be. */
  machines: yup.array().of(pressMachineSchema.required()).defined().nullable(),
});
export type PressPage = TypeOf<typeof pressPageSchema>;

/** Titles that are sent to the press: all of a project's when none is named; to its master when no delivery is. */
export const jobOrderSchema = yup
  .object({
    projectId: yup.string().required().max(64),
    output: yup
      .string()
      .required()
      .oneOf(OUTPUTS.list.map((output) => output.id)),
    titleIds: yup.array().of(yup.string().required()).required().max(10_000),
    deliveryId: yup.string().max(64),
    /** Whether colours are multiplied by their alpha where a kind of file can have that. */
    premultiplied: yup.boolean(),
    /** Whether it is painted with more than 256 shades a channel; kinds of 8 bits are dithered then. */
    fine: yup.boolean(),
    /** How files are called, such as `{number}-{words}`; that where it is left out. */
    names: yup.string().max(MOST_PATTERN_LETTERS),
    /** The folder under the folder of delivery that files are put into, such as `{project}/{delivery}`; left out, they stay here. */
    folder: yup.string().max(MOST_PATTERN_LETTERS),
    /** The whole programme as one file, in place of a file for each title. */
    programme: yup
      .object({
        titles: flag(),
        trackId: yup.string().defined().nullable().max(64),
        /** Whether timecode and the numbers of titles are burnt in where its pictures go out with it. */
        burnIn: yup.boolean(),
        /** Formats in which the captions of the track go beside the video as files. */
        captionFiles: yup
          .array()
          .of(
            yup
              .string()
              .required()
              .oneOf(CAPTION_FORMATS.list.map(({ id }) => id)),
          )
          .max(CAPTION_FORMATS.list.length),
      })
      .noUnknown()
      .nullable()
      .default(undefined)
      .optional(),
  })
  .noUnknown()
  .required();
export type JobOrder = TypeOf<typeof jobOrderSchema>;

/** Kinds of file that this machine cannot make, and what each needs. */
export const missingOutputsSchema = yup.object({
  missing: yup
    .array()
    .of(yup.object({ output: text(), needs: text() }).required())
    .required(),
  /** Whether there is a folder of delivery. */
  hasFolder: flag(),
});
export type MissingOutputs = TypeOf<typeof missingOutputsSchema>;

/** What orders would come to, before they are sent. */
export const orderPreviewSchema = yup.object({
  files: whole(),
  /** How many of the files are there already, and would be taken as they are. */
  reused: whole(),
  /** What the others are expected to take, by files of their kinds that were made here; null where there were none. */
  seconds: yup.number().defined().nullable(),
  bytes: yup.number().defined().nullable(),
  /** How many files that were made here this is known from. */
  basis: whole(),
  /** The room that may be used on the disk. */
  roomBytes: whole(),
  /** How the first of the files will be called. */
  names: texts(),
  /** The folders that they are put into. */
  folders: texts(),
  /** How many files got a figure, since their names would have been alike. */
  alike: whole(),
});
export type OrderPreview = TypeOf<typeof orderPreviewSchema>;

/** Several orders at once: all of them are taken, or none. */
export const jobOrdersSchema = yup
  .object({ orders: yup.array().of(jobOrderSchema).required().min(1).max(60) })
  .noUnknown()
  .required();
export type JobOrders = TypeOf<typeof jobOrdersSchema>;
