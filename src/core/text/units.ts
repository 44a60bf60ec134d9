import type { TextStyle, UnitKind } from '../model/template';
import type { HexColour } from '../display/list';
import { OutlineBuilder, outlineBounds } from '../display/outline';
import type { Outline } from '../display/outline';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import type { TextLayout, TextLine } from './layoutText';
import type { PlacedGlyph } from './shapeLine';

/** A part of a text that moves as one. Boxes and outlines are in design units from the text's top left. */
export interface TextUnit {
  readonly text: string;
  readonly line: number;
  /** That of its first glyph, in the size that it is set in. */
  readonly style: TextStyle;
  /** Advance wide and line high. */
  readonly box: Rect;
  /** Around everything that is inked; null for spaces. */
  readonly ink: Rect | null;
  readonly parts: readonly { readonly outline: Outline; readonly fill: HexColour }[];
}

/** The units of a set text in reading order; spaces between words belong to no unit. */
export function textUnits(layout: TextLayout, kind: UnitKind): TextUnit[] {
  if (kind === 'layer') {
    const all = layout.lines.flatMap((line, i) =>
      makeUnit(layout, line, i, line.glyphs, line.start, line.end),
    );
    // One line is the whole text already.
    return all.length < 2 ? all : [mergeUnits(all)];
  }
  if (kind === 'paragraph') {
    const paragraphs = [...new Set(layout.lines.map((line) => line.paragraph))];
    return paragraphs.flatMap((paragraph) => {
      const lines = layout.lines.flatMap((line, i) =>
        line.paragraph === paragraph ? makeUnit(layout, line, i, line.glyphs, line.start, line.end) : [],
      );
      return lines.length === 0 ? [] : [{ ...mergeUnits(lines), line: lines[0].line }];
    });
  }
  return layout.lines.flatMap((line, lineIndex) => {
    if (kind === 'line' || kind === 'row')
      return makeUnit(layout, line, lineIndex, line.glyphs, line.start, line.end);
    const starts = kind === 'word' ? wordStarts(line) : letterStarts(line);
    return starts.flatMap((start, i) => {
      const end = starts[i + 1] ?? line.end;
      const glyphs = line.glyphs.filter((g) => g.cluster >= start && g.cluster < end);
      return makeUnit(layout, line, lineIndex, glyphs, start, end);
    });
  });
}

function wordStarts(line: TextLine): number[] {
  const starts: number[] = [];
  const text = line.paragraph.text;
  for (let i = line.start; i < line.end; i++) {
    const before = i === line.start || /\s/.test(text[i - 1]);
    if (before && !/\s/.test(text[i])) starts.push(i);
  }
  return starts;
}

const ARABIC = /\p{Script=Arabic}/u;
// Letters that never join to the next one (Unicode joining type R or U), so a unit may end after them.
const NO_JOIN_AFTER =
  /[\u0621-\u0625\u0627\u0629\u062f-\u0632\u0648\u0649\u0671-\u0673\u0688-\u0699\u06c0\u06c4-\u06cb\u06cf\u06d2\u06d3\u06d5]\p{M}*$/u;
const graphemes = new Intl.Segmenter('und', { granularity: 'grapheme' });

/** Where letters start: grapheme clusters (UAX 29), merged where the font or the script joins them. */
function letterStarts(line: TextLine): number[] {
  const clusters = new Set(line.glyphs.map((glyph) => glyph.cluster));
  const text = line.paragraph.text;
  const starts: number[] = [];
  let before = '';
  for (const { segment, index } of graphemes.segment(text.slice(line.start, line.end))) {
    const position = line.start + index;
    const joins = ARABIC.test(before) && ARABIC.test(segment) && !NO_JOIN_AFTER.test(before);
    if (!/^\s+$/.test(segment) && clusters.has(position) && !joins) starts.push(position);
    before = segment;
  }
  return starts;
}

function makeUnit(
  layout: TextLayout,
  line: TextLine,
  lineIndex: number,
  glyphs: readonly PlacedGlyph[],
  start: number,
  end: number,
): TextUnit[] {
  const inked = glyphs.filter((glyph) => glyph.font.outline(glyph.glyphId).verbs !== '');
  if (inked.length === 0) return [];
  const parts = outlineByFill(layout, line, inked);
  const left = Math.min(...inked.map((g) => g.x));
  const right = Math.max(...inked.map((g) => g.x + g.advance));
  return [
    {
      text: line.paragraph.text.slice(start, end).trimEnd(),
      line: lineIndex,
      style: inked[0].style,
      box: {
        x: line.x + left * layout.squeeze,
        y: line.top,
        width: (right - left) * layout.squeeze,
        height: line.height,
      },
      ink: unionRects(parts.flatMap((part) => outlineBounds(part.outline) ?? [])),
      parts,
    },
  ];
}

function outlineByFill(
  layout: TextLayout,
  line: TextLine,
  glyphs: readonly PlacedGlyph[],
): TextUnit['parts'] {
  const byFill = new Map<HexColour, OutlineBuilder>();
  for (const glyph of glyphs) {
    const builder = byFill.get(glyph.style.fill) ?? new OutlineBuilder();
    byFill.set(glyph.style.fill, builder);
    const scale = glyph.style.sizeU / glyph.font.unitsPerEm;
    const x = line.x + glyph.x * layout.squeeze;
    builder.add(glyph.font.outline(glyph.glyphId), scale * layout.squeeze, scale, x, line.baseline + glyph.y);
  }
  return [...byFill].map(([fill, builder]) => ({ fill, outline: builder.build() }));
}

function mergeUnits(units: readonly TextUnit[]): TextUnit {
  const box = unionRects(units.map((unit) => unit.box)) ?? units[0].box;
  const byFill = new Map<HexColour, OutlineBuilder>();
  for (const part of units.flatMap((unit) => unit.parts)) {
    const builder = byFill.get(part.fill) ?? new OutlineBuilder();
    byFill.set(part.fill, builder.add(part.outline, 1, 1, 0, 0));
  }
  return {
    text: units.map((unit) => unit.text).join('\n'),
    line: 0,
    style: units[0].style,
    box,
    ink: unionRects(units.flatMap((unit) => unit.ink ?? [])),
    parts: [...byFill].map(([fill, builder]) => ({ fill, outline: builder.build() })),
  };
}
