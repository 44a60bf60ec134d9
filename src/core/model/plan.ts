import * as yup from 'yup';
import { FORMATS } from '../frame/formats';
import type { ClockSetting } from '../time/clock';
import type { CaptionTrack } from './captions';
import { captionTrackSchema, MOST_TRACKS } from './captions';
import { checkValue } from './check';
import { deliveryId, exactly, flag, id, languageTag, listOf, number, text, word } from './schemaParts';

/** One of the files that a project goes out as: a format, and whether it is interlaced. */
export interface Delivery {
  readonly id: string;
  readonly name: string;
  readonly format: string;
  readonly interlaced: boolean;
  /** The language of its words (BCP 47), where it is not the project's. */
  readonly language?: string;
  /** Whether its colours are held to those of composite video. */
  readonly limited?: boolean;
  /** Whether its RGB files have black at 16 and white at 235. */
  readonly studio?: boolean;
}

/** A named frame of a project. */
interface Marker {
  readonly id: string;
  readonly frame: number;
  readonly name: string;
}

/** A finding, or all of a kind, that somebody has decided about. */
export interface SetAside {
  /** The finding's key; of several, a name for them. */
  readonly key: string;
  readonly reason: string;
  /** Who decided. */
  readonly by?: string;
  /** Which findings are meant, where it is more than one: those of a check, in one template or delivery where it says so. */
  readonly like?: {
    readonly check: string;
    readonly templateId?: string;
    readonly deliveryId?: string;
  };
}

/** What a project has besides its clips and titles. */
export interface Plan {
  /** The first is the master, in the project's own format. */
  readonly deliveries: readonly Delivery[];
  readonly markers: readonly Marker[];
  /** Words that are spelt right here although no dictionary has them. */
  readonly words: readonly string[];
  readonly setAside: readonly SetAside[];
  /** The language of its words (BCP 47), where it is not the House's. */
  readonly language?: string;
  /** What its timecodes are shown by; left out for the usual mode of its rate from 00:00:00:00. */
  readonly clock?: ClockSetting;
  /** Its caption tracks; left out for none. */
  readonly captions?: readonly CaptionTrack[];
}

/** The id of every project's first delivery. */
export const MASTER_ID = 'master';

/** The plan of a project that nobody has changed: its own format as the one delivery. */
export function newPlan(format: string): Plan {
  return {
    deliveries: [{ id: MASTER_ID, name: 'Master', format, interlaced: false }],
    markers: [],
    words: [],
    setAside: [],
  };
}

/** What is checked of it when it comes from outside. */
export const planSchema = exactly({
  deliveries: listOf(
    exactly({
      id: deliveryId,
      name: yup.string().required().min(1).max(60),
      format: yup
        .string()
        .required()
        .test('format', 'a frame format', (value) => FORMATS.find(value) !== undefined),
      interlaced: flag,
      language: languageTag,
      limited: yup.boolean(),
      studio: yup.boolean(),
    }),
    12,
  ).test('master', 'the master first', (list) => Array.isArray(list) && list[0]?.id === MASTER_ID),
  markers: listOf(exactly({ id, frame: number(0, 1e8).integer(), name: text(200) }), 5000),
  words: listOf(yup.string().required().min(1).max(80), 5000),
  setAside: listOf(
    exactly({
      key: yup.string().required().max(400),
      reason: text(400),
      by: yup.string().max(80),
      like: exactly({
        check: yup.string().required().max(40),
        templateId: yup.string().max(64),
        deliveryId: yup.string().max(64),
      })
        .default(undefined)
        .optional(),
    }),
    20_000,
  ),
  language: languageTag,
  clock: exactly({
    mode: word(['drop', 'non-drop']),
    startFrame: number(0, 60 * 60 * 24 * 60).integer(),
  })
    .default(undefined)
    .optional(),
  captions: yup.array().of(captionTrackSchema).max(MOST_TRACKS),
});

/** A plan from outside, checked. Throws InputError. */
export function parsePlan(value: unknown, where = 'Plan'): Plan {
  return checkValue<Plan>(planSchema, value, where);
}
