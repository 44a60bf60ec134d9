declare module 'bidi-js' {
  interface EmbeddingLevels {
    readonly levels: Uint8Array;
    readonly paragraphs: readonly { readonly start: number; readonly end: number; readonly level: number }[];
  }
  interface Bidi {
    getEmbeddingLevels(text: string, direction?: 'ltr' | 'rtl' | 'auto'): EmbeddingLevels;
    /** The bidirectional class of a character (UAX 9, table 4): `L`, `R`, `AL`, `EN` and so on. */
    getBidiCharTypeName(character: string): string;
    getReorderSegments(
      text: string,
      levels: EmbeddingLevels,
      start?: number,
      end?: number,
    ): [number, number][];
  }
  export default function bidiFactory(): Bidi;
}

declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { readonly position: number; readonly required: boolean } | null;
  }
}

declare module 'hyphen' {
  /** A set of patterns as the package keeps it: it comes from a file, and only the package reads it. */
  export type HyphenRules = readonly unknown[];
  /** A function that puts `hyphenChar` into every place where a word of a text may be parted. */
  export default function createHyphenator(
    rules: HyphenRules,
    options: { readonly hyphenChar: string; readonly minWordLength: number },
  ): (text: string) => string;
}
