const segmenter = new Intl.Segmenter('und', { granularity: 'grapheme' });

/** The letters of a text as readers count them: grapheme clusters (UAX 29). */
export function graphemesOf(text: string): string[] {
  return Array.from(segmenter.segment(text), ({ segment }) => segment);
}

/** How many letters a text has. */
export function countGraphemes(text: string): number {
  return graphemesOf(text).length;
}

/** The first letters of a text; no letter is cut through. All of it where it has no more. */
export function cutGraphemes(text: string, most: number): string {
  // No letter is shorter than one code unit, so a short text is not counted.
  return text.length <= most ? text : graphemesOf(text).slice(0, most).join('');
}
