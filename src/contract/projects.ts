import type { Plan } from '../core/model/plan';
import type { Clip, ProjectSettings, Title } from '../core/model/project';
import type { EditionRecord } from './templates';

interface SavedTitle extends Title {
  readonly revision: number;
}

interface SavedClip extends Clip {
  readonly revision: number;
}

/** A project as it is kept, with a revision for each thing that can be changed by itself. */
export interface ProjectRecord {
  readonly id: string;
  readonly settings: ProjectSettings;
  readonly clips: readonly SavedClip[];
  readonly titles: readonly SavedTitle[];
  readonly plan: Plan;
  /** 0 while nobody has changed it. */
  readonly planRevision: number;
}

/** A project in a list. */
export interface ProjectSummary extends ProjectSettings {
  readonly id: string;
  readonly titleCount: number;
}

/** Everything the desk needs of a project. */
export interface DeskProject extends ProjectRecord {
  /** The editions that its titles use, and the newest of their templates. */
  readonly editions: readonly EditionRecord[];
  /** The ids of the newest editions of all other templates; they are asked for once the desk is open. */
  readonly otherEditions: readonly string[];
}

/** What is put in and taken away of a list. A null revision means that it is new. */
export interface RowChanges<T> {
  readonly put: readonly { readonly value: T; readonly revision: number | null }[];
  readonly remove: readonly { readonly id: string; readonly revision: number }[];
}

/** Changes to a project; null where the plan is left as it is. */
export interface ProjectChanges {
  readonly titles: RowChanges<Title>;
  readonly clips: RowChanges<Clip>;
  readonly plan: { readonly value: Plan; readonly revision: number } | null;
}

/** The revisions after a change, by id. */
export interface ProjectRevisions {
  readonly titles: Readonly<Record<string, number>>;
  readonly clips: Readonly<Record<string, number>>;
  readonly plan: number | null;
}
