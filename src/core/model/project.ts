import * as yup from 'yup';
import { FORMATS } from '../frame/formats';
import { SCENES } from '../scenes';
import { RATES, SHORTEST_FRAMES } from '../time/rates';
import { checkValue } from './check';
import type { Credits } from './credits';
import { creditsSchema } from './credits';
import {
  colour,
  deliveryId,
  exactly,
  flag,
  listOf,
  number,
  numberOrNull,
  opacity,
  text,
  word,
} from './schemaParts';
import type { CueAlign } from './captions';
import type { FieldValue, FieldValues } from './template';

/** A picture on the strip; all numbers are frames of the project's rate. */
export interface Clip {
  readonly id: string;
  /** A scene's id, `asset:` or `video:` and an asset id, a plain colour `#rrggbb`, or `missing` for one that is not here. */
  readonly picture: string;
  readonly label: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  readonly sourceStartFrame: number;
  /** How long its picture is; null for one without an end, such as a still. */
  readonly sourceLengthFrames: number | null;
  /** Where it was recorded; empty when nobody said. */
  readonly place: string;
  /** When it was recorded, as an ISO date or time; empty when nobody said. */
  readonly recordedAt: string;
  /** What a cut list says of its source; left out for a clip that came from none. */
  readonly source?: ClipSource;
}

/** Where a clip's picture comes from, as a cut list says it. */
interface ClipSource {
  readonly reel: string;
  readonly file: string;
  /** The source's timecode at its picture's first frame, in frames of the project. */
  readonly firstFrame: number;
}

/** What a delivery has otherwise for one title. */
export interface DeliveryChange {
  /** The title is not in this delivery. */
  readonly leftOut: boolean;
  /** Values that differ from the title's own, by field id. */
  readonly values: FieldValues;
  /** How far it stands from where the template puts it; null for as in the other deliveries. */
  readonly shift: Shift | null;
}

/** A way that a whole title is moved in the picture, in design units. */
export interface Shift {
  readonly dxU: number;
  readonly dyU: number;
}

/** A plain layer over the whole picture, under the title. */
export interface Scrim {
  readonly colour: string;
  readonly opacity: number;
}

/** An edge round a title's words, added to what its template has. */
export interface Edge {
  /** `own` for the colour of the words, which thickens them. */
  readonly colour: string;
  readonly widthU: number;
  /** The width over which it fades; 0 for a hard one. */
  readonly softU: number;
}

/** Words that the title's template has no field for, under the name of the field they were typed in. */
export interface KeptWords {
  readonly label: string;
  readonly value: FieldValue;
}

/** When a row of a list comes, and the row as it read then. */
export interface RowMoment {
  readonly row: string;
  /** From the title's start; null for in the rhythm of the others. */
  readonly seconds: number | null;
}

/** What words were called where they were typed, before another template got them, and the words themselves. */
export type CameAs = KeptWords;

/** A stretch of words that looks one way; the colour is null for the template's. */
export interface WordSpan {
  readonly text: string;
  readonly italic: boolean;
  readonly colour: string | null;
}

/** What a caption says of itself beyond the values of its fields. */
export interface CaptionUse {
  readonly trackId: string;
  /** BCP 47. */
  readonly language: string;
  readonly align: CueAlign;
  /** Whether it stands above, where the template has it below. */
  readonly atTop: boolean;
  /** Words in stretches, by field id. */
  readonly spans: Readonly<Record<string, readonly WordSpan[]>>;
}

/** One use of a template in a project. */
export interface Title {
  readonly id: string;
  readonly editionId: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  /** 0 is nearest the pictures; higher lanes are nearer the viewer. */
  readonly lane: number;
  readonly values: FieldValues;
  /** Whether it stays on its edition when a newer one is out. */
  readonly keepsEdition: boolean;
  /** Whether it goes along when the clip that it starts over is moved, or stays at its time. */
  readonly heldTo: 'clip' | 'time';
  /** The whole title fades in and out in so many frames; 0 for not at all. */
  readonly fadeInFrames: number;
  readonly fadeOutFrames: number;
  readonly shift: Shift | null;
  /** What darkens or lightens the pictures under it. */
  readonly scrim: Scrim | null;
  /** What sets its words off from the pictures, or thickens them; left out for nothing. */
  readonly edge?: Edge | null;
  /** By delivery id. */
  readonly perDelivery: Readonly<Record<string, DeliveryChange>>;
  readonly kept: readonly KeptWords[];
  /** By field id, for words that came from a field of another name; it counts for as long as they are the same. */
  readonly cameAs?: Readonly<Record<string, CameAs>>;
  /** When rows of a list come, by field id: one entry for each row, in their order. */
  readonly moments?: Readonly<Record<string, readonly RowMoment[]>>;
  /** What its credits say, where its template has some; left out for nothing typed. */
  readonly credits?: Credits | null;
  /** Of one that is made of a cue, to be painted; never of one that is kept. */
  readonly caption?: CaptionUse;
}

/** A clip with what nobody has set yet. */
export function newClip(
  clip: Pick<Clip, 'id' | 'picture' | 'startFrame' | 'lengthFrames'> & Partial<Clip>,
): Clip {
  return { label: '', sourceStartFrame: 0, sourceLengthFrames: null, place: '', recordedAt: '', ...clip };
}

/** A title with what nobody has set yet. */
export function newTitle(
  title: Pick<Title, 'id' | 'editionId' | 'startFrame' | 'lengthFrames' | 'lane'> & Partial<Title>,
): Title {
  return {
    values: {},
    keepsEdition: false,
    heldTo: 'clip',
    fadeInFrames: 0,
    fadeOutFrames: 0,
    shift: null,
    scrim: null,
    edge: null,
    perDelivery: {},
    kept: [],
    cameAs: {},
    moments: {},
    credits: null,
    ...title,
  };
}

/** What a project says of itself. */
export interface ProjectSettings {
  readonly name: string;
  readonly production: string;
  readonly format: string;
  readonly rate: string;
}

// A day at the fastest rate: limits are times, and which rate counts only the project knows.
const DAY_FRAMES = 24 * 60 * 60 * Math.max(...RATES.list.map(({ nominal }) => nominal));
const frames = (min: number): yup.NumberSchema<number> =>
  yup.number().required().integer().min(min).max(DAY_FRAMES);

/** The most characters that a title says in one place, and what it can keep without a field. */
export const LONGEST_WORDS = 20_000;
export const LONGEST_LABEL = 80;
export const MOST_KEPT = 60;

/** The most rows of a list that have moments of their own. */
export const MOST_MOMENTS = 200;

/** The widest edge that a title's words can have, in design units; it fades over twice as much at most. */
export const MOST_EDGE_U = 200;

/** The most characters of a clip's name. */
export const LONGEST_NAME = 200;

/** Title lanes that a strip can have. */
export const MOST_LANES = 21;

const isValue = (value: unknown): boolean =>
  (typeof value === 'string' && value.length <= LONGEST_WORDS) ||
  typeof value === 'boolean' ||
  Number.isFinite(value);
const VALUE = 'words of at most 20 000 characters, numbers and switches';
const valueSchema = yup.mixed().test('value', VALUE, isValue);
const valuesSchema = yup
  .object()
  .required()
  .test('values', VALUE, (values) => Object.values(values).every(isValue));
const shiftSchema = yup
  .object({ dxU: number(-8000, 8000), dyU: number(-8000, 8000) })
  .noUnknown()
  .defined()
  .nullable()
  .default(undefined);

const keptSchema = exactly({ label: text(LONGEST_LABEL), value: valueSchema });
const momentSchema = exactly({
  row: text(LONGEST_WORDS),
  seconds: numberOrNull(0, 24 * 60 * 60),
});

/** Something for each of some fields, by their ids; left out for none. */
const byField = (schema: yup.Schema) =>
  yup.lazy((value: unknown) =>
    yup
      .object(
        Object.fromEntries(
          Object.keys(typeof value === 'object' && value !== null ? value : {}).map((key) => [key, schema]),
        ),
      )
      .test(
        'fields',
        `at most ${MOST_KEPT} fields`,
        (all: object | undefined) => Object.keys(all ?? {}).length <= MOST_KEPT,
      ),
  );

/** What is checked of it when it comes from outside. */
export const titleSchema = yup
  .object({
    id: yup.string().required().min(1).max(64),
    editionId: yup.string().required().min(1).max(64),
    startFrame: frames(0),
    lengthFrames: frames(SHORTEST_FRAMES),
    lane: yup
      .number()
      .required()
      .integer()
      .min(0)
      .max(MOST_LANES - 1),
    values: valuesSchema,
    keepsEdition: yup.boolean().required(),
    heldTo: word(['clip', 'time']),
    fadeInFrames: frames(0),
    fadeOutFrames: frames(0),
    shift: shiftSchema,
    scrim: yup.object({ colour, opacity }).noUnknown().defined().nullable().default(undefined),
    edge: yup
      .object({
        colour: yup
          .string()
          .required()
          .matches(/^(own|#[0-9a-f]{6})$/, 'own, or a colour such as #10303c'),
        widthU: number(0, MOST_EDGE_U),
        softU: number(0, MOST_EDGE_U * 2),
      })
      .noUnknown()
      .nullable()
      .default(undefined),
    perDelivery: yup.lazy((value: unknown) =>
      yup
        .object(
          Object.fromEntries(
            Object.keys(typeof value === 'object' && value !== null ? value : {}).map((key) => [
              key,
              exactly({ leftOut: flag, values: valuesSchema, shift: shiftSchema }),
            ]),
          ),
        )
        .required()
        .test('deliveries', 'ids of deliveries', (changes) =>
          Object.keys(changes).every((key) => deliveryId.isValidSync(key)),
        ),
    ),
    kept: listOf(keptSchema, MOST_KEPT),
    cameAs: byField(keptSchema),
    moments: byField(listOf(momentSchema, MOST_MOMENTS)),
    credits: creditsSchema.nullable().default(undefined).optional(),
  })
  .noUnknown()
  .required();

/** A title from outside, checked. Throws InputError. */
export function parseTitle(value: unknown, where = 'Title'): Title {
  return checkValue<Title>(titleSchema, value, where);
}

/** What is checked of it when it comes from outside. */
export const settingsSchema = yup
  .object({
    name: yup.string().required().min(1).max(80),
    production: yup.string().defined().max(80),
    format: yup
      .string()
      .required()
      .test('format', 'a frame format', (id) => FORMATS.find(id) !== undefined),
    rate: yup
      .string()
      .required()
      .oneOf(RATES.list.map((rate) => rate.id)),
  })
  .noUnknown()
  .required();

/** Project settings from outside, checked. Throws InputError. */
export function parseProjectSettings(value: unknown, where = 'Project'): ProjectSettings {
  return checkValue<ProjectSettings>(settingsSchema, value, where);
}

/** The picture of a clip whose own picture is not here. */
export const MISSING_PICTURE = 'missing';

/** The picture of a plain background. */
export const PLAIN_PICTURE = '#1d2226';

function isPicture(id: string): boolean {
  return (
    id === MISSING_PICTURE ||
    SCENES.find(id) !== undefined ||
    /^((asset|video):[\w-]{1,64}|#[0-9a-f]{6})$/.test(id)
  );
}

/** What is checked of it when it comes from outside. */
export const clipSchema = yup
  .object({
    id: yup.string().required().min(1).max(64),
    picture: yup
      .string()
      .required()
      .test('picture', 'a stand-in, an uploaded picture or video, or a colour such as #20303c', isPicture),
    label: yup.string().defined().max(LONGEST_NAME),
    startFrame: frames(0),
    lengthFrames: frames(1),
    sourceStartFrame: frames(0),
    sourceLengthFrames: yup.number().defined().nullable().integer().min(1),
    place: yup.string().defined().max(80),
    recordedAt: yup.string().defined().max(40),
    source: exactly({ reel: text(LONGEST_NAME), file: text(LONGEST_NAME), firstFrame: frames(0) })
      .default(undefined)
      .optional(),
  })
  .noUnknown()
  .required();

/** A clip from outside, checked. Throws InputError. */
export function parseClip(value: unknown, where = 'Clip'): Clip {
  return checkValue<Clip>(clipSchema, value, where);
}
