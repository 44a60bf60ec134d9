import * as yup from 'yup';
import { OUTPUTS } from '../core/outputs';
import { PLANES } from '../core/outputs/output';
import { FIELD_KINDS } from '../core/model/template';
import { FORMATS } from '../core/frame/formats';
import { idOf } from '../core/model/schemaParts';
import { RATES } from '../core/time/rates';
import type { TypeOf } from './schema';
import { figure, flag, moment, momentOrNull, sha256, text, texts, whole } from './schema';

/** A system that may order, as the House shows it. */
export const clientFactsSchema = yup.object({
  id: text(),
  name: text(),
  /** The beginning of its key, by which people tell it from others. */
  keyStart: text(),
  createdAt: moment(),
  usedAt: momentOrNull(),
  withdrawnAt: momentOrNull(),
});
export type ClientFacts = TypeOf<typeof clientFactsSchema>;

export const newClientSchema = yup
  .object({ name: yup.string().required().trim().min(1).max(60) })
  .noUnknown()
  .required();

/** A client with its key, which is told once. */
export const madeClientSchema = yup.object({ id: text(), key: text() });
export type MadeClient = TypeOf<typeof madeClientSchema>;

const inList = {
  /** What an order names. */
  edition: text(),
  template: text(),
  number: whole(),
  name: text(),
  kind: text(),
  /** How long the design is. */
  seconds: figure(),
  formats: texts(),
};

/** A released template as a list tells a client of it. */
export const clientTemplateSchema = yup.object(inList);
export type ClientTemplate = TypeOf<typeof clientTemplateSchema>;

/** A released template with what a client can fill in. */
export const clientTemplateFieldsSchema = yup.object({
  ...inList,
  rate: text(),
  fields: yup
    .array()
    .of(
      yup
        .object({
          id: text(),
          label: text(),
          kind: yup.string().required().oneOf(FIELD_KINDS),
          help: text(),
          required: flag(),
          maxLength: whole().optional(),
          choices: yup.array().of(text()).optional(),
        })
        .required(),
    )
    .required(),
});
export type ClientTemplateFields = TypeOf<typeof clientTemplateFieldsSchema>;

/** A still or a video of a template with words, without a project. */
export const renderOrderSchema = yup
  .object({
    edition: yup.string().required().max(64),
    /** By the ids of fields; what is left out is what goes to air when nobody types. */
    values: yup.object().default({}),
    output: yup
      .string()
      .required()
      .oneOf(OUTPUTS.list.map(({ id }) => id)),
    format: idOf(FORMATS).notRequired(),
    rate: idOf(RATES).notRequired(),
    seconds: yup.number().min(0.2).max(3600),
    language: yup.string().max(35),
    interlaced: yup.boolean(),
    premultiplied: yup.boolean(),
    fine: yup.boolean(),
    /** How its files are called; by its template and its first words when left out. */
    name: yup.string().max(120),
    /** An address that is told when it is over. */
    callback: yup.string().max(500),
  })
  .noUnknown()
  .required();
export type RenderOrder = TypeOf<typeof renderOrderSchema>;

/** How far the telling of an order's address is. */
const callbackStateSchema = yup.object({
  url: text(),
  tries: whole(),
  /** Why the last try reached nobody. */
  error: yup.string().defined().nullable(),
  toldAt: momentOrNull(),
  /** Whether it was tried so often that it is not tried any more. */
  givenUp: flag(),
});
export type CallbackState = TypeOf<typeof callbackStateSchema>;

/** How an order stands. */
export const renderStateSchema = yup.object({
  id: text(),
  status: text(),
  doneFrames: whole(),
  totalFrames: whole(),
  error: yup.string().defined().nullable(),
  createdAt: moment(),
  endedAt: momentOrNull(),
  files: yup
    .array()
    .of(
      yup
        .object({
          name: text(),
          /** Where it is fetched, with the key as everything else. */
          href: text(),
          bytes: whole(),
          sha256: sha256().optional(),
          widthPx: whole(),
          heightPx: whole(),
          frames: whole(),
          plane: yup.string().oneOf(PLANES),
        })
        .required(),
    )
    .required(),
  /** Of an order with an address to be told; left out by what is told. */
  callback: callbackStateSchema.optional(),
});
export type RenderState = TypeOf<typeof renderStateSchema>;
