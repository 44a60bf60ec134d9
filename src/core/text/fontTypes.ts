/** Vertical measures from the font's own tables (hhea, OS/2), in font units; descender is negative. */
export interface FontMetrics {
  readonly ascender: number;
  readonly descender: number;
  readonly capHeight: number;
  readonly xHeight: number;
}

/** A glyph as the shaper gives it, in font units, in visual order. */
export interface ShapedGlyph {
  readonly glyphId: number;
  /** UTF-16 position of the first character that this glyph stands for. */
  readonly cluster: number;
  readonly advance: number;
  readonly offsetX: number;
  readonly offsetY: number;
}

export interface ShapeOptions {
  readonly rightToLeft: boolean;
  /** ISO 15924. */
  readonly script: string;
  /** BCP 47. */
  readonly language: string;
  readonly features: readonly { readonly tag: string; readonly value: number }[];
}
