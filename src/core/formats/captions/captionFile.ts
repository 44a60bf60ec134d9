import type { CueAlign, CuePlace } from '../../model/captions';
import { LONGEST_CUE } from '../../model/captions';
import { cueSpans, spansToWords } from './cueMarks';
import type { Clock } from '../../time/clock';

/** A cue of a caption file; times in seconds from the start of the programme. */
export interface FileCue {
  readonly startSeconds: number;
  readonly endSeconds: number;
  /** Its lines, with marks (see `cueMarks`). */
  readonly words: string;
  readonly speaker: string;
  readonly place: CuePlace;
  readonly align: CueAlign;
  readonly forced: boolean;
}

/** What a caption file held. */
export interface CaptionFile {
  readonly cues: readonly FileCue[];
  /** The language that it says it is in (BCP 47); empty where it does not. */
  readonly language: string;
  /** What should be known of how it was read, such as looks that captions here do not have. */
  readonly notes: readonly string[];
  /** What could not be read: the line or block, and why. */
  readonly problems: readonly string[];
}

/** What a file is written with. */
export interface WriteOptions {
  readonly clock: Clock;
  readonly language: string;
  readonly name: string;
  /** The day that it is made, as an ISO date; the core reads no clock. */
  readonly date: string;
}

/** A caption format. */
export interface CaptionFormat {
  readonly id: string;
  readonly label: string;
  readonly extension: string;
  readonly mediaType: string;
  /** Reads as much as can be. Throws InputError where nothing can. */
  read(bytes: Uint8Array, options: ReadOptions): CaptionFile;
  write(cues: readonly FileCue[], options: WriteOptions): Uint8Array<ArrayBuffer>;
  /** What of these cues it cannot hold, in sentences. */
  losses(cues: readonly FileCue[], options: WriteOptions): readonly string[];
}

export interface ReadOptions {
  readonly clock: Clock;
  /** A label of the Encoding Standard, for text files; null to find out. */
  readonly encoding: string | null;
}

/** A file cue with what its file did not say. */
export function newFileCue(
  cue: Pick<FileCue, 'startSeconds' | 'endSeconds' | 'words'> & Partial<FileCue>,
): FileCue {
  // Marks are written one way, whatever the file had.
  const words = spansToWords(cueSpans(cue.words)).slice(0, LONGEST_CUE);
  return { speaker: '', place: 'auto', align: 'centre', forced: false, ...cue, words };
}

/** How many problems of one file are told one by one. */
const MOST_TOLD = 50;

/** Problems as they are told: the first ones, and how many more there are. */
export function fewProblems(problems: readonly string[]): string[] {
  if (problems.length <= MOST_TOLD) return [...problems];
  return [...problems.slice(0, MOST_TOLD), `And ${problems.length - MOST_TOLD} more.`];
}
