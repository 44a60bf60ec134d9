import LineBreaker from 'linebreak';
import type { ItemisedParagraph } from './itemise';
import { shapeLine } from './shapeLine';

/** A line as positions [start, end) of its paragraph, trailing spaces left out. */
export interface LineRange {
  readonly start: number;
  readonly end: number;
}

// Halvings of the room between the longest line and the whole width: 2^-10 of it is under a unit.
const HALVINGS = 10;

/**
 * Breaks a paragraph into lines no wider than `maxWidth` (design units) at the places UAX 14 allows,
 * filling each line in turn. A single word that is wider stays whole and sticks out. Balanced lines are as many,
 * but about equally long: the narrowest width that needs no more lines is taken.
 */
export function breakLines(paragraph: ItemisedParagraph, maxWidth: number, balanced = false): LineRange[] {
  const { text } = paragraph;
  const whole = { start: 0, end: trimEnd(text, 0, text.length) };
  if (text.length === 0 || !Number.isFinite(maxWidth)) return [whole];
  const offsets = advanceOffsets(paragraph);
  if (offsets[whole.end] <= maxWidth) return [whole];
  const positions = breakPositions(text);
  const filled = fillLines(text, offsets, positions, maxWidth);
  if (!balanced || filled.length < 2) return filled;
  let low = maxWidth / filled.length;
  let high = maxWidth;
  let best = filled;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const tried = fillLines(text, offsets, positions, middle);
    const widest = Math.max(...tried.map((line) => offsets[line.end] - offsets[line.start]));
    if (tried.length <= filled.length && widest <= maxWidth) {
      best = tried;
      high = middle;
    } else low = middle;
  }
  return best;
}

function fillLines(
  text: string,
  offsets: readonly number[],
  positions: readonly number[],
  maxWidth: number,
): LineRange[] {
  const lines: LineRange[] = [];
  let start = 0;
  let lastFit = 0;
  for (const position of positions) {
    const end = trimEnd(text, start, position);
    if (offsets[end] - offsets[start] > maxWidth && lastFit > start) {
      lines.push({ start, end: trimEnd(text, start, lastFit) });
      start = lastFit;
    }
    lastFit = position;
  }
  lines.push({ start, end: trimEnd(text, start, text.length) });
  return lines;
}

function breakPositions(text: string): number[] {
  const breaker = new LineBreaker(text);
  const positions: number[] = [];
  for (let next = breaker.nextBreak(); next !== null; next = breaker.nextBreak())
    positions.push(next.position);
  return positions;
}

function trimEnd(text: string, start: number, end: number): number {
  let at = end;
  while (at > start && /\s/.test(text[at - 1])) at--;
  return at;
}

/** The logical distance from the paragraph's start to each position, from one shaping of the whole. */
function advanceOffsets(paragraph: ItemisedParagraph): number[] {
  const advances = new Array<number>(paragraph.text.length).fill(0);
  for (const glyph of shapeLine(paragraph, 0, paragraph.text.length).glyphs) {
    advances[glyph.cluster] += glyph.advance;
  }
  const offsets = [0];
  for (const advance of advances) offsets.push(offsets[offsets.length - 1] + advance);
  return offsets;
}
