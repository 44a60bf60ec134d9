import * as yup from 'yup';
import type { TypeOf } from './schema';
import { figure, flag, sha256, text, texts, whole } from './schema';

const facts = {
  id: text(),
  name: text(),
  mediaType: text(),
  /** SHA-256 of its bytes. */
  hash: sha256(),
  widthPx: whole(),
  heightPx: whole(),
  /** The size that the file said it has; a drawing is kept with more pixels than that. */
  ownWidth: figure(),
  ownHeight: figure(),
};

/** A picture that is kept. */
export const assetFactsSchema = yup.object(facts);
export type AssetFacts = TypeOf<typeof assetFactsSchema>;

/** What was kept of a file that was sent: its size and the SHA-256 of its bytes. */
const receivedFactsSchema = yup.object({ bytes: whole(), sha256: sha256() });
export type ReceivedFacts = TypeOf<typeof receivedFactsSchema>;

/** Beside what a file became: what was kept of it. */
export const received = { received: receivedFactsSchema.required() };

/** A picture that was just taken in: whether it was not kept already, and what was done to it that a designer should know. */
export const takenPictureSchema = yup.object({ ...facts, isNew: flag(), notes: texts() });
export type TakenPicture = TypeOf<typeof takenPictureSchema>;

/** A video that was taken in, and what its file says of itself. */
export const takenVideoSchema = yup.object({
  id: text(),
  seconds: figure(),
  /** The timecode of its first frame; empty where the file says none. */
  startTimecode: text(),
  /** Whether browsers cannot show it, so that a viewing copy is being made. */
  copying: flag(),
});
export type TakenVideo = TypeOf<typeof takenVideoSchema>;

/** A video that is kept, in a list. */
export const videoFactsSchema = yup.object({
  id: text(),
  name: text(),
  /** 0 where nobody looked. */
  seconds: figure(),
  startTimecode: text(),
});
export type KeptVideo = TypeOf<typeof videoFactsSchema>;

/** A sound that was taken in. */
export interface TakenSound {
  readonly id: string;
  readonly name: string;
  /** 0 where nobody looked. */
  readonly seconds: number;
}

/** How far a viewing copy is. */
export const copyStateSchema = yup.object({
  state: yup
    .string()
    .oneOf(['ready', 'copying', 'failed'] as const)
    .required(),
  /** From 0 to 1. */
  share: figure(),
  /** Why there is none, in words. */
  message: text(),
});
export type CopyState = TypeOf<typeof copyStateSchema>;

/** So many peaks of a second of sound are sent, to be drawn on the strip. */
export const PEAKS_PER_SECOND = 25;
