import type { TextRun, TextStyle } from '../document/template';
import { breakLines } from './breakLines';
import { cleanText } from './cleanText';
import type { FontLibrary } from './fontLibrary';
import type { ItemisedParagraph, StyledParagraph } from './itemise';
import { itemiseParagraph } from './itemise';
import type { PlacedGlyph } from './shapeLine';
import { shapeLine } from './shapeLine';

export interface TextSpec {
  readonly runs: readonly TextRun[];
  readonly style: TextStyle;
  readonly align: 'left' | 'centre' | 'right';
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
}

/** Sets styled text into lines. An empty text has one empty line with the height of its style. */
export function layoutText(spec: TextSpec, fonts: FontLibrary): TextLayout {
  const paragraphs = splitParagraphs(spec).map((p) => itemiseParagraph(p, fonts));
  const lines: Omit<TextLine, 'x'>[] = [];
  let top = 0;
  for (const paragraph of paragraphs) {
    for (const range of breakLines(paragraph, spec.wrapWidthU / spec.squeeze)) {
      const shaped = shapeLine(paragraph, range.start, range.end);
      const { height, baseline } = lineMeasures(shaped.glyphs, spec.style, fonts);
      const width = shaped.width * spec.squeeze;
      lines.push({
        paragraph,
        ...range,
        width,
        top,
        height,
        baseline: top + baseline,
        glyphs: shaped.glyphs,
      });
      top += height;
    }
  }
  const width = Math.max(0, ...lines.map((line) => line.width));
  return {
    width,
    height: top,
    squeeze: spec.squeeze,
    missing: [...new Set(paragraphs.flatMap((p) => p.missing))],
    lines: lines.map((line) => ({ ...line, x: (width - line.width) * alignShare(spec.align) })),
  };
}

function alignShare(align: TextSpec['align']): number {
  return align === 'left' ? 0 : align === 'right' ? 1 : 0.5;
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
  const styles = new Set(glyphs.map((glyph) => glyph.style));
  const tallest = [...styles].reduce((best, s) => (s.sizeU > best.sizeU ? s : best), [...styles][0] ?? style);
  const { metrics, unitsPerEm } = fonts.font(tallest.face, tallest.weight);
  const scale = tallest.sizeU / unitsPerEm;
  const height = tallest.leading * tallest.sizeU;
  const content = (metrics.ascender - metrics.descender) * scale;
  return { height, baseline: (height - content) / 2 + metrics.ascender * scale };
}

function splitParagraphs(spec: TextSpec): StyledParagraph[] {
  let text = '';
  const styles: TextStyle[] = [];
  for (const run of spec.runs) {
    const style = run.style === undefined ? spec.style : { ...spec.style, ...run.style };
    const cleaned = cleanText(run.text);
    const typed = style.letterCase === 'capitals' ? cleaned.toLocaleUpperCase('und') : cleaned;
    text += typed;
    for (let i = 0; i < typed.length; i++) styles.push(style);
  }
  const paragraphs: StyledParagraph[] = [];
  let start = 0;
  for (const part of text.split('\n')) {
    paragraphs.push({ text: part, styles: styles.slice(start, start + part.length) });
    start += part.length + 1;
  }
  return paragraphs;
}
