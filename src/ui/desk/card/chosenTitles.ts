import type { Title } from '@/core/model/project';

/** Titles that are changed together. */
export interface ChosenTitles {
  readonly first: Title;
  /** All of them, the first among them. */
  readonly chosen: readonly Title[];
}
