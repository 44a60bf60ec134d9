import * as yup from 'yup';
import type { TypeOf } from './schema';
import { flag, moment, momentOrNull, text, texts, whole } from './schema';

const AWAY = ['aside', 'deleted'] as const;
/** How a thing is out of the way: set aside until it is wanted again, or deleted, which is for good after 30 days. */
export type Away = (typeof AWAY)[number];

/** What can be put out of the way and takes room. */
export const KEPT_KINDS = ['template', 'project', 'picture', 'video', 'job'] as const;
export type KeptKind = (typeof KEPT_KINDS)[number];

const keptKindSchema = yup.string().required().oneOf(KEPT_KINDS);
const awaySchema = yup
  .string()
  .defined()
  .nullable()
  .oneOf([...AWAY, null]);

/** A thing that is kept, as lists of what takes room show it; when it was put out of the way, null while in use. */
const keptThingSchema = yup.object({
  kind: keptKindSchema,
  id: text(),
  name: text(),
  bytes: whole(),
  createdAt: moment(),
  away: awaySchema,
  awayAt: momentOrNull(),
});
export type KeptThing = TypeOf<typeof keptThingSchema>;

/** What uses a thing: names, the first of them, and how many there are. */
export const thingUsesSchema = yup.object({ names: texts(), count: whole() });
export type ThingUses = TypeOf<typeof thingUsesSchema>;

/** How much there is of a kind, in use and out of the way. */
const kindRoomSchema = yup.object({
  kind: keptKindSchema,
  count: whole(),
  bytes: whole(),
  awayCount: whole(),
  awayBytes: whole(),
});
export type KindRoom = TypeOf<typeof kindRoomSchema>;

/** A backup in the data folder; whether Gilder made it by itself, as one of the last seven days'. */
const backupFactsSchema = yup.object({ name: text(), bytes: whole(), madeAt: moment(), automatic: flag() });
export type BackupFacts = TypeOf<typeof backupFactsSchema>;

/** What takes room in the data folder, and what is left on its disk. */
export const roomFactsSchema = yup.object({
  kinds: yup.array().of(kindRoomSchema.required()).required(),
  databaseBytes: whole(),
  backups: yup.array().of(backupFactsSchema.required()).required(),
  freeBytes: whole(),
});
export type RoomFacts = TypeOf<typeof roomFactsSchema>;

/** The largest things of a kind, and how many there are in all. */
export const roomListSchema = yup.object({
  things: yup.array().of(keptThingSchema.required()).required(),
  total: whole(),
});
export type RoomList = TypeOf<typeof roomListSchema>;

/** Puts a thing out of the way, or with null in use again. */
export const putAwaySchema = yup.object({ away: awaySchema }).noUnknown().required();
