import type { Clock } from '../../time/clock';

/** A finished file of a title, and where it belongs in its programme. */
export interface PlacedFile {
  /** The title's number in its project. */
  readonly number: number;
  /** The file's name, beside which a timeline lies; null for one that could not be made. */
  readonly file: string | null;
  readonly sha256: string;
  readonly template: string;
  /** What the title says. */
  readonly words: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  readonly lane: number;
  /** How many frames the file has; 1 for a still. */
  readonly fileFrames: number;
  /** The label of the file's first frame as it says it itself, as a count of frames; null where it says none. */
  readonly firstLabel: number | null;
}

/** The files of a programme's titles in their places. */
export interface PlacedFiles {
  readonly name: string;
  readonly clock: Clock;
  readonly files: readonly PlacedFile[];
}

/** The files by lane, the lowest first; each lane in order of time. */
export function byLane({ files }: PlacedFiles): readonly (readonly PlacedFile[])[] {
  const lanes = [...new Set(files.map(({ lane }) => lane))].toSorted((a, b) => a - b);
  return lanes.map((lane) =>
    files.filter((file) => file.lane === lane).toSorted((a, b) => a.startFrame - b.startFrame),
  );
}
