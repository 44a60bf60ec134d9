import bidiFactory from 'bidi-js';
import type { TextStyle } from '../document/template';
import { FACES, FALLBACK_FACE_IDS } from './faces';
import type { FontLibrary, ShapingFont } from './fontLibrary';

const bidi = bidiFactory();

/** A paragraph with the style of each UTF-16 position. */
export interface StyledParagraph {
  readonly text: string;
  readonly styles: readonly TextStyle[];
}

/** A stretch with one style, one font and one direction, which is shaped in one go. */
export interface TextItem {
  readonly start: number;
  readonly end: number;
  readonly style: TextStyle;
  readonly font: ShapingFont;
  readonly level: number;
}

export interface ItemisedParagraph {
  readonly text: string;
  readonly items: readonly TextItem[];
  readonly rightToLeft: boolean;
  /** Characters that no shipped font has. */
  readonly missing: readonly string[];
  /** The faces that stand in for characters that the chosen face does not have, by label. */
  readonly standIns: readonly string[];
}

// These take the font of what stands before them: joiners, marks, spaces, variation selectors.
const FOLLOWS_FONT = /[\p{M}\p{Zs}\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufe00-\ufe0f]/u;

/** Splits a paragraph by style, bidi level (UAX 9, direction from the first strong character) and font. */
export function itemiseParagraph(paragraph: StyledParagraph, fonts: FontLibrary): ItemisedParagraph {
  const { text, styles } = paragraph;
  const levels = bidi.getEmbeddingLevels(text, 'auto');
  const items: TextItem[] = [];
  const missing = new Set<string>();
  const standIns = new Set<string>();
  let current: { start: number; style: TextStyle; font: ShapingFont; level: number } | null = null;
  for (let i = 0; i < text.length;) {
    const codePoint = text.codePointAt(i) ?? 0;
    const character = String.fromCodePoint(codePoint);
    const style = styles[i];
    const level = levels.levels[i];
    const own = fonts.font(style.face, style.weight, style.width);
    const keeps: boolean = current !== null && FOLLOWS_FONT.test(character) && current.font.covers(codePoint);
    const found =
      keeps && current !== null
        ? { font: current.font, standIn: null }
        : fontFor(codePoint, style, own, fonts);
    if (found === null) missing.add(character);
    else if (found.standIn !== null) standIns.add(found.standIn);
    const used: ShapingFont = found?.font ?? own;
    if (current === null || current.style !== style || current.level !== level || current.font !== used) {
      if (current !== null) items.push({ ...current, end: i });
      current = { start: i, style, font: used, level };
    }
    i += character.length;
  }
  if (current !== null) items.push({ ...current, end: text.length });
  return { text, items, rightToLeft: isRightToLeft(levels), missing: [...missing], standIns: [...standIns] };
}

function isRightToLeft(levels: ReturnType<typeof bidi.getEmbeddingLevels>): boolean {
  return levels.paragraphs.length > 0 && levels.paragraphs[0].level % 2 === 1;
}

function fontFor(
  codePoint: number,
  style: TextStyle,
  own: ShapingFont,
  fonts: FontLibrary,
): { readonly font: ShapingFont; readonly standIn: string | null } | null {
  if (own.covers(codePoint) || FOLLOWS_FONT.test(String.fromCodePoint(codePoint)))
    return { font: own, standIn: null };
  for (const faceId of FALLBACK_FACE_IDS) {
    const font = fonts.font(faceId, style.weight);
    if (font.covers(codePoint)) return { font, standIn: FACES.get(faceId).label };
  }
  return null;
}
