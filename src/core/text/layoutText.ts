import type { TextRun, TextStyle } from '../model/template';
import { breakLines } from './breakLines';
import { FACES, fallbackFaces } from '../faces/faces';
import { cleanText } from './cleanText';
import type { FontLibrary } from './fontLibrary';
import type { ItemisedParagraph, StyledParagraph } from './itemise';
import { itemiseParagraph } from './itemise';
import { capitalsOf, UNDETERMINED } from '../faces/language';
import type { MeasuredParagraph } from './measureLines';
import { measureParagraph } from './measureLines';
import type { PlacedGlyph } from './shapeLine';
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

/** A line whose place across the text is not known yet, and whether it goes on in the next. */
type UnplacedLine = { line: Omit<TextLine, 'x'>; wrapped: boolean };

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
    for (const [i, { start, end, hyphenated }] of ranges.entries()) {
      const isWhole = start === 0 && end === paragraph.text.length;
      const shaped = isWhole ? measured.line : shapeLine(paragraph, start, end, hyphenated);
      const { height, baseline } = lineMeasures(shaped.glyphs, spec.style, fonts);
      const [width, glyphs] = [shaped.width * spec.squeeze, shaped.glyphs];
      lines.push({
        line: { paragraph, start, end, width, top, height, baseline: top + baseline, glyphs },
        wrapped: i + 1 < ranges.length,
      });
      top += height;
    }
  }
  const all = paragraphs.map(({ paragraph }) => paragraph);
  const width = spec.columnU ?? lines.reduce((widest, { line }) => Math.max(widest, line.width), 0);
  return {
    width,
    height: top,
    squeeze: spec.squeeze,
    missing: [...new Set(all.flatMap((p) => p.missing))],
    standIns: [...new Set(all.flatMap((p) => p.standIns))],
    lines: lines.map((one) => placeLine(one, width, spec)),
  };
}

/** A line at its place; a justified one that goes on in the next is spread to the whole width. */
function placeLine({ line, wrapped }: UnplacedLine, width: number, spec: TextSpec): TextLine {
  if (spec.align !== 'justify') return { ...line, x: (width - line.width) * alignShare(spec.align) };
  if (!wrapped) return { ...line, x: line.paragraph.rightToLeft ? width - line.width : 0 };
  return { ...line, x: 0, width, glyphs: spreadSpaces(line, (width - line.width) / spec.squeeze) };
}

/** The glyphs of a line with `room` design units shared out among its spaces. */
function spreadSpaces(line: UnplacedLine['line'], room: number): readonly PlacedGlyph[] {
  const isSpace = (glyph: PlacedGlyph): boolean => /\s/.test(line.paragraph.text[glyph.cluster] ?? '');
  const spaces = line.glyphs.filter(isSpace).length;
  if (spaces === 0 || room <= 0) return line.glyphs;
  let shift = 0;
  return line.glyphs.map((glyph) => {
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
function lineMeasures(
  glyphs: readonly PlacedGlyph[],
  style: TextStyle,
  fonts: FontLibrary,
): { height: number; baseline: number } {
  let tallest = glyphs[0]?.style ?? style;
  for (const glyph of glyphs) if (glyph.style.sizeU > tallest.sizeU) tallest = glyph.style;
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
