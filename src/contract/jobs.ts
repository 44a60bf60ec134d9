/** What a rendered file is, as read back from it. */
export interface FileFacts {
  readonly titleId: string;
  readonly name: string;
  readonly bytes: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frames: number;
  readonly codec: string;
  readonly framesPainted: number;
  /** Largest difference of alpha (0 to 255) between a decoded frame and what was painted. */
  readonly alphaErrorMax: number;
  /** SHA-256 of the file in hexadecimal; left out by files from before it was kept. */
  readonly sha256?: string;
}

/** How far the frames of a job are. */
export interface JobProgress {
  readonly doneFrames: number;
  readonly totalFrames: number;
  readonly paintedFrames: number;
}

/** Where a job stands. */
export type JobStatus = 'queued' | 'running' | 'done' | 'failed' | 'cancelled';

/** What is told of a job but its order; times are ISO 8601. */
export interface JobState {
  readonly id: string;
  readonly status: JobStatus;
  readonly progress: JobProgress;
  readonly files: readonly FileFacts[];
  readonly error: string | null;
  readonly createdAt: string;
  readonly startedAt: string | null;
  readonly endedAt: string | null;
}

/** A job as the press shows it. */
export interface JobSummary extends JobState {
  readonly name: string;
  readonly output: string;
  readonly format: string;
  readonly rate: string;
  readonly titleCount: number;
}

/** A page of the press: jobs, the newest first, and whether there are older ones and this machine can make videos. */
export interface PressPage {
  readonly jobs: readonly JobSummary[];
  readonly hasMore: boolean;
  readonly ffmpeg: boolean;
}
