import type { TextStyle } from '../model/template';
import type { ShapedGlyph } from './fontTypes';
import type { ShapingFont } from './fontLibrary';
import type { ItemisedParagraph, TextItem } from './itemise';

/** A glyph on its line: x from the line's left end and y from the baseline (down), in design units. */
export interface PlacedGlyph {
  readonly font: ShapingFont;
  readonly glyphId: number;
  /** UTF-16 position in the paragraph of what it stands for. */
  readonly cluster: number;
  readonly style: TextStyle;
  readonly x: number;
  readonly y: number;
  readonly advance: number;
  /** How much of the advance is tracking, which does not count at the end of a line. */
  readonly spread: number;
}

export interface ShapedLine {
  /** Placed when they are first asked for: of many lines most are measured and never seen. */
  readonly glyphs: readonly PlacedGlyph[];
  readonly width: number;
  /** The largest style that has a glyph in it, the first of several; null for a line without any. */
  readonly largest: TextStyle | null;
}

/** An item's glyphs as they were shaped, and how they stand on the line. */
interface ShapedItem {
  readonly item: TextItem;
  readonly shaped: readonly ShapedGlyph[];
  /** Of a font unit, in design units. */
  readonly scale: number;
  readonly spread: number;
  /** Where it begins. */
  readonly x: number;
}

const JOINING_SCRIPTS = /[\p{Script=Arabic}\p{Script=Syriac}\p{Script=Mongolian}\p{Script=Nko}]/u;

/** The OpenType features that a style asks for; everything else is left to the font. */
function featuresOf(style: TextStyle, spread: number): { tag: string; value: number }[] {
  const features: { tag: string; value: number }[] = [];
  const add = (tag: string, value: number): void => void features.push({ tag, value });
  // Spread letters must not be ligatures.
  if (spread !== 0 || !style.ligatures) {
    add('liga', 0);
    add('clig', 0);
  }
  if (style.figures === 'tabular') add('tnum', 1);
  if (style.figures === 'oldStyle') add('onum', 1);
  if (style.fractions) add('frac', 1);
  if (style.letterCase === 'smallCapitals') add('smcp', 1);
  for (const tag of style.features ?? []) add(tag, 1);
  return features;
}

/** The character that a word is parted with at the end of a line: Unicode's hyphen where the font has it. */
export function hyphenFor({ font }: TextItem): string {
  return font.covers(0x2010) ? '\u2010' : '-';
}

/** Where a word may be parted, without that being seen elsewhere. */
export const SOFT_HYPHEN = '\u00ad';

/**
 * Shapes the positions [start, end) of a paragraph as one line, glyphs in visual order from the left. One that is
 * hyphenated shows a hyphen at its end: in place of a soft one, else after its last letter, as a part of that.
 */
export function shapeLine(
  whole: ItemisedParagraph,
  start: number,
  end: number,
  hyphenated = false,
): ShapedLine {
  if (hyphenated && whole.text[end - 1] !== SOFT_HYPHEN) {
    const line = shapeLine(withHyphen(whole, end, 0), start, end + 1);
    const last = line.glyphs.findLast(({ cluster }) => cluster < end)?.cluster ?? end - 1;
    const glyphs = line.glyphs.map((one) => (one.cluster < end ? one : { ...one, cluster: last }));
    return { glyphs, width: line.width, largest: line.largest };
  }
  const paragraph = hyphenated ? withHyphen(whole, end - 1, 1) : whole;
  const shapedItems: ShapedItem[] = [];
  let x = 0;
  let lastSpread = 0;
  let largest: TextStyle | null = null;
  for (const item of visualItems(paragraph, start, end)) {
    const one = shapeItem(item, paragraph, x);
    if (one.shaped.length === 0) continue;
    shapedItems.push(one);
    x = endOf(one);
    lastSpread = one.spread;
    if (largest === null || item.style.sizeU > largest.sizeU) largest = item.style;
  }
  return new LineOfItems(shapedItems, Math.max(0, x - lastSpread), largest);
}

class LineOfItems implements ShapedLine {
  private placed: readonly PlacedGlyph[] | null = null;

  constructor(
    private readonly items: readonly ShapedItem[],
    readonly width: number,
    readonly largest: TextStyle | null,
  ) {}

  get glyphs(): readonly PlacedGlyph[] {
    return (this.placed ??= this.items.flatMap(placeGlyphs));
  }
}

function shapeItem(item: TextItem, { text, language }: ItemisedParagraph, x: number): ShapedItem {
  const { style, font, start, end, script } = item;
  const joined = script !== 'Latn' && JOINING_SCRIPTS.test(text.slice(start, end));
  // Space between joined letters would tear them apart, so joining scripts ignore tracking.
  const spread = joined ? 0 : (style.tracking / 1000) * style.sizeU;
  const shaped = font.shape(text, start, end, {
    rightToLeft: item.level % 2 === 1,
    features: featuresOf(style, spread),
    script,
    language,
  });
  return { item, shaped, scale: style.sizeU / font.unitsPerEm, spread, x };
}

/** Where an item's glyphs end, added up as they are placed. */
function endOf({ shaped, scale, spread, x }: ShapedItem): number {
  let to = x;
  for (let i = 0; i < shaped.length; i++) to += shaped[i].advance * scale + spreadAfter(shaped, i, spread);
  return to;
}

function placeGlyphs({ item, shaped, scale, spread, x }: ShapedItem): PlacedGlyph[] {
  const { font, style } = item;
  let at = x;
  return shaped.map((glyph, i) => {
    const extra = spreadAfter(shaped, i, spread);
    const advance = glyph.advance * scale + extra;
    const left = at;
    at += advance;
    return {
      font,
      glyphId: glyph.glyphId,
      cluster: glyph.cluster,
      style,
      x: left + glyph.offsetX * scale,
      y: -glyph.offsetY * scale - (style.shift / 1000) * style.sizeU,
      advance,
      spread: extra,
    };
  });
}

/** The paragraph up to a position, and there a hyphen in place of so many characters; what follows is only its context. */
function withHyphen(paragraph: ItemisedParagraph, at: number, inPlaceOf: number): ItemisedParagraph {
  const item = paragraph.items.find((one) => one.start < at && one.end >= at);
  if (item === undefined) return paragraph;
  const { text } = paragraph;
  const items = paragraph.items.filter((one) => one.start < at);
  return {
    ...paragraph,
    text: text.slice(0, at) + hyphenFor(item) + text.slice(at + inPlaceOf),
    items: items.map((one) => (one === item ? { ...one, end: at + 1 } : one)),
  };
}

/** The tracking after a glyph: after the last one of a letter's. */
function spreadAfter(shaped: readonly ShapedGlyph[], i: number, spread: number): number {
  const endsLetter = i + 1 === shaped.length || shaped[i + 1].cluster !== shaped[i].cluster;
  return endsLetter ? spread : 0;
}

/** The items of a line cut to [start, end), in visual order by reversing runs from the highest level down (UAX 9 L2). */
function visualItems(paragraph: ItemisedParagraph, start: number, end: number): readonly TextItem[] {
  if (paragraph.items.length === 1 && start === 0 && end === paragraph.text.length) return paragraph.items;
  const items = paragraph.items
    .filter((item) => item.start < end && item.end > start)
    .map((item) => ({ ...item, start: Math.max(item.start, start), end: Math.min(item.end, end) }));
  const highest = Math.max(0, ...items.map((item) => item.level));
  for (let level = highest; level > 0; level--) {
    for (let from = 0; from < items.length; from++) {
      if (items[from].level < level) continue;
      let to = from;
      while (to < items.length && items[to].level >= level) to++;
      items.splice(from, to - from, ...items.slice(from, to).reverse());
      from = to;
    }
  }
  return items;
}
