import type { ItemisedParagraph } from './itemise';
import { lineBreaks } from './lineBreaks';
import type { ShapedLine } from './shapeLine';
import { hyphenFor, shapeLine, SOFT_HYPHEN } from './shapeLine';

/** A place where a line may end. */
interface BreakPlace {
  readonly position: number;
  /** The width of the hyphen that is shown there; 0 for none. */
  readonly hyphenU: number;
  /** Whether it is only taken where the line would be much too short without it: nobody typed it. */
  readonly isLastResort: boolean;
}

/** A paragraph measured once: how wide any part of it is on one line, in design units at the size it is styled in. */
export interface MeasuredParagraph {
  readonly paragraph: ItemisedParagraph;
  /** All of it on one line. */
  readonly line: ShapedLine;
  /** Looked for when they are first asked for: most texts stand on one line. */
  readonly breaks: readonly BreakPlace[];
  /** The width of the positions [start, end) as a line, without what is only tracking after the last letter. */
  width(start: number, end: number): number;
}

/**
 * Measures a paragraph: it is shaped once as a whole, and once more for each hyphen that may be shown. `hyphens` says
 * where its words may be parted; left out for a text that is not hyphenated.
 */
export function measureParagraph(
  paragraph: ItemisedParagraph,
  hyphens: ((text: string) => readonly number[]) | null = null,
): MeasuredParagraph {
  return new MeasuredOnce(paragraph, hyphens);
}

class MeasuredOnce implements MeasuredParagraph {
  readonly line: ShapedLine;
  private places: readonly BreakPlace[] | null = null;
  private measured: Advances | null = null;

  constructor(
    readonly paragraph: ItemisedParagraph,
    private readonly hyphens: ((text: string) => readonly number[]) | null,
  ) {
    this.line = shapeLine(paragraph, 0, paragraph.text.length);
  }

  get breaks(): readonly BreakPlace[] {
    return (this.places ??= this.findBreaks());
  }

  width(start: number, end: number): number {
    const { length } = this.paragraph.text;
    if (start === 0 && end === length) return this.line.width;
    const { offsets, spreads } = (this.measured ??= advances(length, this.line));
    return Math.max(0, offsets[end] - offsets[start] - (end > start ? spreads[end] : 0));
  }

  private findBreaks(): readonly BreakPlace[] {
    const { paragraph, hyphens } = this;
    const { text } = paragraph;
    const usual = lineBreaks(text).map((position) => {
      const soft = text[position - 1] === SOFT_HYPHEN && position < text.length;
      return { position, hyphenU: soft ? hyphenWidth(paragraph, position - 1) : 0, isLastResort: false };
    });
    const taken = new Set(usual.map(({ position }) => position));
    const parted = (hyphens?.(text) ?? [])
      .filter((position) => !taken.has(position))
      .map((position) => ({ position, hyphenU: hyphenWidth(paragraph, position - 1), isLastResort: true }));
    return parted.length === 0 ? usual : [...usual, ...parted].sort((a, b) => a.position - b.position);
  }
}

function hyphenWidth(paragraph: ItemisedParagraph, at: number): number {
  const item = paragraph.items.find((one) => one.start <= at && one.end > at);
  if (item === undefined) return 0;
  const text = hyphenFor(item);
  return shapeLine({ ...paragraph, text, items: [{ ...item, start: 0, end: text.length }] }, 0, text.length)
    .width;
}

/** For each position the distance from the start in reading order, and the tracking after the letter before it. */
interface Advances {
  readonly offsets: readonly number[];
  readonly spreads: readonly number[];
}

function advances(length: number, line: ShapedLine): Advances {
  const widths = new Array<number>(length).fill(0);
  const extra = new Array<number | null>(length).fill(null);
  for (const { cluster, advance, spread } of line.glyphs) {
    widths[cluster] += advance;
    extra[cluster] = (extra[cluster] ?? 0) + spread;
  }
  const offsets = [0];
  const spreads = [0];
  for (let i = 0; i < length; i++) {
    offsets.push(offsets[i] + widths[i]);
    spreads.push(extra[i] ?? spreads[i]);
  }
  return { offsets, spreads };
}
