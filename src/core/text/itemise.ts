import type { TextStyle } from '../model/template';
import { fallbackFaces } from '../faces/fallback';
import { FACES } from '../faces/faces';
import type { FontLibrary, ShapingFont } from './fontLibrary';
import { COMMON, resolveScripts } from '../faces/scripts';
import { bidi } from '../kit/bidi';

/** A paragraph with the style of each UTF-16 position, and its language (BCP 47). */
export interface StyledParagraph {
  readonly text: string;
  readonly styles: readonly TextStyle[];
  readonly language: string;
}

/** A stretch with one style, one font, one script and one direction, which is shaped in one go. */
export interface TextItem {
  readonly start: number;
  readonly end: number;
  readonly style: TextStyle;
  readonly font: ShapingFont;
  /** ISO 15924. */
  readonly script: string;
  readonly level: number;
}

export interface ItemisedParagraph {
  readonly text: string;
  readonly language: string;
  readonly items: readonly TextItem[];
  readonly rightToLeft: boolean;
  /** Characters that no shipped font has. */
  readonly missing: readonly string[];
  /** The faces that stand in for characters that the chosen face does not have, by label. */
  readonly standIns: readonly string[];
}

// These take the font of what stands before them: joiners, marks, spaces, variation selectors.
const FOLLOWS_FONT = /[\p{M}\p{Zs}\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufe00-\ufe0f]/u;
// Break opportunities that are not seen need no glyph in any font.
const NEEDS_NO_GLYPH = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2069]/;

// Of ASCII only the space is one of these; this is asked of every letter of every text.
const followsFont = (codePoint: number, character: string): boolean =>
  codePoint < 0x80 ? codePoint === 0x20 : FOLLOWS_FONT.test(character);
const needsNoGlyph = (codePoint: number, character: string): boolean =>
  codePoint >= 0xad && NEEDS_NO_GLYPH.test(character);

// Without one of these everything is at level 0 (UAX 9: the first strong letter is left to right, as all are): letters
// and figures of scripts from Hebrew to Arabic Extended-A, their presentation forms, those beyond the basic plane, and
// the marks that set a direction.
const MAY_TURN =
  /[\u0590-\u08ff\u200e\u200f\u202a-\u202e\u2066-\u2069\ufb1d-\ufdff\ufe70-\ufeff\u{10800}-\u{10fff}\u{1e800}-\u{1efff}]/u;

/**
 * Splits a paragraph by style, script (UAX 24), direction (UAX 9, from the first strong character) and font. A word in
 * another script than Latin comes whole from one face where one has all of it.
 */
export function itemiseParagraph(paragraph: StyledParagraph, fonts: FontLibrary): ItemisedParagraph {
  const { text, styles, language } = paragraph;
  const levels = MAY_TURN.test(text) ? bidi.getEmbeddingLevels(text, 'auto') : null;
  const scripts = resolveScripts(text);
  const chosen = new FontChoice(text, scripts, fonts);
  const items: TextItem[] = [];
  let current: Omit<TextItem, 'end'> | null = null;
  for (let i = 0; i < text.length;) {
    const codePoint = text.codePointAt(i) ?? 0;
    const character = String.fromCodePoint(codePoint);
    const style = styles[i];
    const [level, script] = [levels?.levels[i] ?? 0, scripts[i]];
    const follows: boolean =
      current !== null &&
      followsFont(codePoint, character) &&
      (current.font.covers(codePoint) || needsNoGlyph(codePoint, character));
    const font: ShapingFont = follows && current !== null ? current.font : chosen.font(i, character, style);
    const same =
      current !== null &&
      current.style === style &&
      current.level === level &&
      current.script === script &&
      current.font === font;
    if (!same) {
      if (current !== null) items.push({ ...current, end: i });
      current = { start: i, style, font, script, level };
    }
    i += character.length;
  }
  if (current !== null) items.push({ ...current, end: text.length });
  return {
    text,
    language,
    items,
    rightToLeft: levels !== null && isRightToLeft(levels),
    missing: [...chosen.missing],
    standIns: [...chosen.standIns],
  };
}

function isRightToLeft(levels: ReturnType<typeof bidi.getEmbeddingLevels>): boolean {
  return levels.paragraphs.length > 0 && levels.paragraphs[0].level % 2 === 1;
}

/** Which font each character of a paragraph is set in. */
class FontChoice {
  readonly missing = new Set<string>();
  readonly standIns = new Set<string>();
  private readonly words = new Map<string, string | null>();
  private readonly own = new Map<TextStyle, ShapingFont>();

  constructor(
    private readonly text: string,
    private readonly scripts: readonly string[],
    private readonly fonts: FontLibrary,
  ) {}

  /** The style's own face where it has the character; else the first that stands in for its script and has it. */
  font(at: number, character: string, style: TextStyle): ShapingFont {
    const { fonts } = this;
    const own = this.ownFont(style);
    const codePoint = character.codePointAt(0) ?? 0;
    if (needsNoGlyph(codePoint, character)) return own;
    const script = this.scripts[at];
    const whole = this.faceOfWord(at, script, style);
    if (whole !== null && whole !== style.face) return this.standIn(whole, style);
    if (own.covers(codePoint)) return own;
    const faceId = fallbackFaces(script).find((id) => fonts.font(id, style.weight).covers(codePoint));
    if (faceId !== undefined) return this.standIn(faceId, style);
    // A space or a joiner that no face has is left out by the shaper.
    if (!followsFont(codePoint, character)) this.missing.add(character);
    return own;
  }

  private ownFont(style: TextStyle): ShapingFont {
    const known = this.own.get(style) ?? this.fonts.font(style.face, style.weight, style.width, style.axes);
    this.own.set(style, known);
    return known;
  }

  private standIn(faceId: string, style: TextStyle): ShapingFont {
    this.standIns.add(FACES.get(faceId).label);
    return this.fonts.font(faceId, style.weight);
  }

  /** The face that has all of the stretch of one script round a position; null for Latin, and where none has all. */
  private faceOfWord(at: number, script: string, style: TextStyle): string | null {
    if (script === 'Latn' || script === COMMON) return null;
    let start = at;
    let end = at;
    while (start > 0 && this.scripts[start - 1] === script) start--;
    while (end < this.text.length && this.scripts[end] === script) end++;
    const key = `${start} ${style.face} ${style.weight}`;
    const known = this.words.get(key);
    if (known !== undefined) return known;
    const letters = [...this.text.slice(start, end)].filter((one) => /[\p{L}\p{M}]/u.test(one));
    const hasAll = (faceId: string): boolean =>
      letters.every((one) => this.fonts.font(faceId, style.weight).covers(one.codePointAt(0) ?? 0));
    const found = [style.face, ...fallbackFaces(script)].find(hasAll) ?? null;
    this.words.set(key, found);
    return found;
  }
}
