/** When a template is mirrored, left for right, and what of it is. */
export interface Mirroring {
  /** `words`: where more of its words' letters run from right to left than from left to right. */
  readonly when: (typeof MIRROR_WHEN)[number];
  /** Where layers lie, which way they are turned, and on which side words line up. */
  readonly places: boolean;
  /** The form of panels and accents: corners, padding, and where a gradient runs. */
  readonly forms: boolean;
  /** The order in which the columns of lists and credits, and the members of a stack along, follow one another. */
  readonly rows: boolean;
  /** Where moves, wipes, lights and what rolls across come from and go. */
  readonly moves: boolean;
}

export const MIRROR_WHEN = ['words', 'always', 'never'] as const;

/** What is mirrored of a new template: all of it, where words run from right to left. */
export const MIRRORS_WITH_WORDS: Mirroring = {
  when: 'words',
  places: true,
  forms: true,
  rows: true,
  moves: true,
};
