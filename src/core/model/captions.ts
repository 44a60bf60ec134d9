import * as yup from 'yup';
import { checkValue } from './check';
import { exactly, flag, id, languageTag, number, text, word } from './schemaParts';

/** Where a cue stands in the picture; `auto` is below, and above while a title stands there. */
export const CUE_PLACES = ['auto', 'bottom', 'top'] as const;
export type CuePlace = (typeof CUE_PLACES)[number];

export const CUE_ALIGNS = ['centre', 'left', 'right'] as const;
export type CueAlign = (typeof CUE_ALIGNS)[number];

/** One caption: words with an in and an out, in frames of the project's rate. */
export interface Cue {
  readonly id: string;
  /** The caption track that it belongs to. */
  readonly trackId: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  /** Its lines, with marks for what is in italics or in a colour (see `cueMarks`). */
  readonly words: string;
  readonly speaker: string;
  readonly place: CuePlace;
  readonly align: CueAlign;
  /** Shown also to those who have not asked for captions: signs, and another language spoken. */
  readonly forced: boolean;
  /** Nobody has set its time yet: it is made of the reading speed, and waits to be tapped. */
  readonly guessed: boolean;
}

/** The captions of a project in one language. */
export interface CaptionTrack {
  readonly id: string;
  readonly name: string;
  /** BCP 47. */
  readonly language: string;
  /** The edition of the caption template that they are painted with; null for plain ones. */
  readonly editionId: string | null;
}

/** What captions have to keep to. */
export interface CaptionRules {
  readonly mostLines: number;
  readonly charactersPerLine: number;
  readonly charactersPerSecond: number;
  readonly shortestSeconds: number;
  readonly longestSeconds: number;
  /** The least between two cues, in frames. */
  readonly gapFrames: number;
  /** A cue starts and ends at a cut, or at least so many frames away from it. */
  readonly cutFrames: number;
}

/** Subtitling practice: two lines of 42 at 17 characters a second, 1 to 7 s, 2 frames between, 12 frames from a cut. */
export const FIRST_CAPTIONS: CaptionRules = {
  mostLines: 2,
  charactersPerLine: 42,
  charactersPerSecond: 17,
  shortestSeconds: 1,
  longestSeconds: 7,
  gapFrames: 2,
  cutFrames: 12,
};

export const captionRulesSchema = exactly({
  mostLines: number(1, 6).integer(),
  charactersPerLine: number(5, 120).integer(),
  charactersPerSecond: number(3, 60),
  shortestSeconds: number(0.1, 10),
  longestSeconds: number(1, 60),
  gapFrames: number(0, 60).integer(),
  cutFrames: number(0, 120).integer(),
});

/** The most characters of a cue, marks and all. */
export const LONGEST_CUE = 2000;
/** The most caption tracks of a project, and cues in all of them. */
export const MOST_TRACKS = 20;
export const MOST_CUES = 40_000;

export const captionTrackSchema = exactly({
  id,
  name: yup.string().required().min(1).max(60),
  language: languageTag.required(),
  editionId: yup.string().defined().nullable().min(1).max(64),
});

// A day at the fastest rate, as for titles.
const DAY_FRAMES = 24 * 60 * 60 * 60;

/** What is checked of it when it comes from outside. */
export const cueSchema = yup
  .object({
    id,
    trackId: id,
    startFrame: number(0, DAY_FRAMES).integer(),
    lengthFrames: number(1, DAY_FRAMES).integer(),
    words: text(LONGEST_CUE),
    speaker: text(80),
    place: word(CUE_PLACES),
    align: word(CUE_ALIGNS),
    forced: flag,
    guessed: flag,
  })
  .noUnknown()
  .required();

/** A cue from outside, checked. Throws InputError. */
export function parseCue(value: unknown, where = 'Cue'): Cue {
  return checkValue<Cue>(cueSchema, value, where);
}

/** A cue with what nobody has set yet. */
export function newCue(cue: Pick<Cue, 'id' | 'trackId' | 'startFrame' | 'lengthFrames'> & Partial<Cue>): Cue {
  return {
    words: '',
    speaker: '',
    place: 'auto',
    align: 'centre',
    forced: false,
    guessed: false,
    ...cue,
  };
}
