import type { TextRun, TextStyle } from '../model/template';
import { breakLines } from './breakLines';
import { fallbackFaces } from '../faces/fallback';
import { FACES } from '../faces/faces';
import { cleanText } from './cleanText';
import type { FontLibrary } from './fontLibrary';
import type { ItemisedParagraph, StyledParagraph } from './itemise';
import { itemiseParagraph } from './itemise';
import { capitalsOf, UNDETERMINED } from '../faces/language';
import type { MeasuredParagraph } from './measureLines';
import { measureParagraph } from './measureLines';
import type { PlacedGlyph, ShapedLine } from './shapeLine';
import { shapeLine } from './shapeLine';

export interface TextSpec {
  readonly runs: readonly TextRun[];
  readonly style: TextStyle;
  readonly align: 'left' | 'centre' | 'right' | 'justify';
  /** BCP 47; left out for none in particular. */
  readonly language?: string;
  /** Whether wrapped lines are made about equally long. */
  readonly balanced?: boolean;
  /** Whether long words are parted by the rules of the language, where it has some. */
  readonly hyphenates?: boolean;
  /** The width of the column it is set in; null for a text that is as wide as its longest line. */
  readonly columnU?: number | null;
  /** Lines are wrapped at this width; Infinity for none. */
  readonly wrapWidthU: number;
  /** Horizontal scale of everything, 1 for none. */
  readonly squeeze: number;
}

/** A line of set text. Positions are in design units from the text box's top left corner. */
export interface TextLine {
  readonly paragraph: ItemisedParagraph;
  /** UTF-16 positions of its paragraph. */
  readonly start: number;
  readonly end: number;
  readonly x: number;
  readonly width: number;
  readonly top: number;
  readonly height: number;
  readonly baseline: number;
  readonly glyphs: readonly PlacedGlyph[];
}

export interface TextLayout {
  readonly width: number;
  readonly height: number;
  readonly lines: readonly TextLine[];
  readonly squeeze: number;
  readonly missing: readonly string[];
  /** The faces that stand in for characters that the chosen one does not have, by label. */
  readonly standIns: readonly string[];
}

/** A line whose place across the text is not known yet. */
interface UnplacedLine extends Omit<TextLine, 'x' | 'glyphs'> {
  readonly shaped: ShapedLine;
  /** Whether it goes on in the next. */
  readonly wrapped: boolean;
}

/** A line that is as wide as its letters. Its glyphs are placed when they are asked for. */
class PlacedLine implements TextLine {
  readonly paragraph: ItemisedParagraph;
  readonly start: number;
  readonly end: number;
  readonly width: number;
  readonly top: number;
  readonly height: number;
  readonly baseline: number;
  private readonly shaped: ShapedLine;

  constructor(
    { paragraph, start, end, width, top, height, baseline, shaped }: UnplacedLine,
    readonly x: number,
  ) {
    this.paragraph = paragraph;
    this.start = start;
    this.end = end;
    this.width = width;
    this.top = top;
    this.height = height;
    this.baseline = baseline;
    this.shaped = shaped;
  }

  get glyphs(): readonly PlacedGlyph[] {
    return this.shaped.glyphs;
  }
}

/** A text whose parts were shaped once, so that it can be asked how it would break at other widths. */
export interface MeasuredText {
  readonly spec: TextSpec;
  readonly paragraphs: readonly MeasuredParagraph[];
}

/** Shapes a text as a whole. */
export function measureText(spec: TextSpec, fonts: FontLibrary): MeasuredText {
  const hyphens = spec.hyphenates === true ? fonts.hyphens(spec.language ?? UNDETERMINED) : null;
  return {
    spec,
    paragraphs: splitParagraphs(spec, fonts).map((one) =>
      measureParagraph(itemiseParagraph(one, fonts), hyphens),
    ),
  };
}

/** How a text would come out at another size (a share of its own), squeeze and width of lines; nothing is shaped. */
export interface Measures {
  readonly lines: number;
  /** Of its widest line, in design units. */
  readonly width: number;
}

/** How many lines a measured text has, and how wide the widest is, with its wrap width, squeezed and scaled as told. */
export function measuresOf(
  { spec, paragraphs }: MeasuredText,
  {
    wrapWidthU,
    squeeze,
    scale,
  }: { readonly wrapWidthU: number; readonly squeeze: number; readonly scale: number },
): Measures {
  const factor = squeeze * scale;
  const lines = paragraphs.flatMap((one) => breakLines(one, wrapWidthU / factor, spec.balanced));
  return { lines: lines.length, width: Math.max(0, ...lines.map((line) => line.width)) * factor };
}

/** Sets styled text into lines. An empty text has one empty line with the height of its style. */
export function layoutText(spec: TextSpec, fonts: FontLibrary): TextLayout {
  return layoutMeasured(measureText(spec, fonts), fonts);
}

/** Sets a measured text into lines. */
export function layoutMeasured({ spec, paragraphs }: MeasuredText, fonts: FontLibrary): TextLayout {
  const lines: UnplacedLine[] = [];
  let top = 0;
  for (const measured of paragraphs) {
    const { paragraph } = measured;
    const ranges = breakLines(measured, spec.wrapWidthU / spec.squeeze, spec.balanced);
    for (let i = 0; i < ranges.length; i++) {
      const { start, end, hyphenated } = ranges[i];
      const isWhole = start === 0 && end === paragraph.text.length;
      const shaped = isWhole ? measured.line : shapeLine(paragraph, start, end, hyphenated);
      const { height, baseline } = lineMeasures(shaped.largest ?? spec.style, fonts);
      lines.push({
        paragraph,
        start,
        end,
        width: shaped.width * spec.squeeze,
        top,
        height,
        baseline: top + baseline,
        shaped,
        wrapped: i + 1 < ranges.length,
      });
      top += height;
    }
  }
  const width = spec.columnU ?? lines.reduce((widest, line) => Math.max(widest, line.width), 0);
  return {
    width,
    height: top,
    squeeze: spec.squeeze,
    missing: allOf(paragraphs, 'missing'),
    standIns: allOf(paragraphs, 'standIns'),
    lines: lines.map((one) => placeLine(one, width, spec)),
  };
}

const NONE: readonly string[] = [];

/** What its paragraphs say, each once. */
function allOf(paragraphs: MeasuredText['paragraphs'], what: 'missing' | 'standIns'): readonly string[] {
  const said = paragraphs.flatMap(({ paragraph }) => paragraph[what]);
  return said.length === 0 ? NONE : [...new Set(said)];
}

/** A line at its place; a justified one that goes on in the next is spread to the whole width. */
function placeLine(line: UnplacedLine, width: number, spec: TextSpec): TextLine {
  const room = width - line.width;
  if (spec.align !== 'justify') return new PlacedLine(line, room * alignShare(spec.align));
  if (!line.wrapped) return new PlacedLine(line, line.paragraph.rightToLeft ? room : 0);
  const { shaped, ...rest } = line;
  const glyphs = spreadSpaces(shaped.glyphs, line.paragraph.text, room / spec.squeeze);
  return { ...rest, x: 0, width, glyphs };
}

/** The glyphs of a line of a text with `room` design units shared out among its spaces. */
function spreadSpaces(glyphs: readonly PlacedGlyph[], text: string, room: number): readonly PlacedGlyph[] {
  const isSpace = (glyph: PlacedGlyph): boolean => /\s/.test(text[glyph.cluster] ?? '');
  const spaces = glyphs.filter(isSpace).length;
  if (spaces === 0 || room <= 0) return glyphs;
  let shift = 0;
  return glyphs.map((glyph) => {
    const moved = { ...glyph, x: glyph.x + shift };
    if (isSpace(glyph)) shift += room / spaces;
    return moved;
  });
}

function alignShare(align: TextSpec['align']): number {
  return align === 'right' ? 1 : align === 'centre' ? 0.5 : 0;
}

/**
 * A line's height and where its baseline lies in it. Ascent and descent of the tallest style are centred
 * in leading × size, so that equal leading gives equal distances whatever the face.
 */
function lineMeasures(tallest: TextStyle, fonts: FontLibrary): { height: number; baseline: number } {
  const { metrics, unitsPerEm } = fonts.font(tallest.face, tallest.weight, tallest.width, tallest.axes);
  const scale = tallest.sizeU / unitsPerEm;
  const height = tallest.leading * tallest.sizeU;
  const content = (metrics.ascender - metrics.descender) * scale;
  return { height, baseline: (height - content) / 2 + metrics.ascender * scale };
}

function splitParagraphs(spec: TextSpec, fonts: FontLibrary): StyledParagraph[] {
  const { language = UNDETERMINED } = spec;
  let text = '';
  const styles: TextStyle[] = [];
  for (const run of spec.runs) {
    const style = run.style === undefined ? spec.style : { ...spec.style, ...run.style };
    const cleaned = cleanText(run.text);
    const typed =
      style.letterCase === 'capitals' ? capitalsOf(cleaned, language, hasIn(style, fonts)) : cleaned;
    text += typed;
    for (let i = 0; i < typed.length; i++) styles.push(style);
  }
  if (!text.includes('\n')) return [{ text, styles, language }];
  const paragraphs: StyledParagraph[] = [];
  let start = 0;
  for (const part of text.split('\n')) {
    paragraphs.push({ text: part, styles: styles.slice(start, start + part.length), language });
    start += part.length + 1;
  }
  return paragraphs;
}

/** Whether a style's face, or a Latin one that stands in for it, has a character. */
function hasIn(style: TextStyle, fonts: FontLibrary): (character: string) => boolean {
  return (character) =>
    [style.face, ...fallbackFaces('Latn')].some(
      (id) =>
        FACES.find(id) !== undefined && fonts.font(id, style.weight).covers(character.codePointAt(0) ?? 0),
    );
}
