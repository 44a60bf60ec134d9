import type { JobRecord } from '@/db/jobs';
import type { ProjectRecord } from '@/db/projects';
import type { EditionRecord } from '@/db/templates';

/** A template on the shelf: its newest edition. */
export interface ShelfEntry extends EditionRecord {
  /** Titles that use any edition of it. */
  readonly totalUses: number;
}

/** Everything the desk needs of a project. */
export interface DeskProject extends ProjectRecord {
  /** The editions that its titles use, and the newest of each template. */
  readonly editions: readonly EditionRecord[];
}

/** A job as the press shows it. */
export interface JobSummary extends Omit<JobRecord, 'payload'> {
  readonly name: string;
  readonly output: string;
  readonly format: string;
  readonly rate: string;
  readonly titleCount: number;
}
