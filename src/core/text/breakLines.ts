import type { MeasuredParagraph } from './measureLines';

/** A line as positions [start, end) of its paragraph, trailing spaces left out. */
export interface LineRange {
  readonly start: number;
  readonly end: number;
  /** In design units, a hyphen at its end included. */
  readonly width: number;
  /** Whether a hyphen is shown at its end. */
  readonly hyphenated: boolean;
}

// Halvings of the room between the longest line and the whole width: 2^-10 of it is under a unit.
const HALVINGS = 10;

/**
 * Breaks a measured paragraph into lines no wider than `maxWidth` (design units) at the places UAX 14 allows,
 * filling each line in turn. A single word that is wider stays whole and sticks out. Balanced lines are as many,
 * but about equally long: the narrowest width that needs no more lines is taken. A word is parted by its language only
 * where its line would else be emptier than usual.
 */
export function breakLines(paragraph: MeasuredParagraph, maxWidth: number, balanced = false): LineRange[] {
  const { text } = paragraph.paragraph;
  const end = trimEnd(text, 0, text.length);
  const whole = { start: 0, end, width: paragraph.width(0, end), hyphenated: false };
  if (!Number.isFinite(maxWidth) || whole.width <= maxWidth) return [whole];
  const filled = fillLines(paragraph, maxWidth);
  if (!balanced || filled.length < 2) return filled;
  let low = maxWidth / filled.length;
  let high = maxWidth;
  let best = filled;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const tried = fillLines(paragraph, middle);
    const widest = Math.max(...tried.map((line) => line.width));
    if (tried.length <= filled.length && widest <= maxWidth) {
      best = tried;
      high = middle;
    } else low = middle;
  }
  return best;
}

/** A line that could end at a place, by that place's number. */
interface Fit {
  readonly line: LineRange;
  readonly index: number;
}

function fillLines(measured: MeasuredParagraph, maxWidth: number): LineRange[] {
  const { paragraph, breaks } = measured;
  const { text } = paragraph;
  const lineTo = (start: number, { position, hyphenU }: MeasuredParagraph['breaks'][number]): LineRange => {
    const end = trimEnd(text, start, position);
    return { start, end, width: measured.width(start, end) + hyphenU, hyphenated: hyphenU > 0 };
  };
  const lines: LineRange[] = [];
  let start = 0;
  // The last places that fit: where a line ends as usual, and after that where a word would be parted.
  let usual: Fit | null = null;
  let parted: Fit | null = null;
  for (let i = 0; i < breaks.length; i++) {
    const line = lineTo(start, breaks[i]);
    const fit: Fit | null = parted !== null && isTooShort(usual, maxWidth) ? parted : usual;
    if (line.width > maxWidth && fit !== null) {
      lines.push(fit.line);
      start = breaks[fit.index].position;
      i = fit.index;
      [usual, parted] = [null, null];
    } else if (!breaks[i].isLastResort) [usual, parted] = [{ line, index: i }, null];
    // The first part of a word that is too wide for a line goes on one all the same: the rest of it need not.
    else if (line.width <= maxWidth || fit === null) parted = { line, index: i };
  }
  const end = trimEnd(text, start, text.length);
  lines.push({ start, end, width: measured.width(start, end), hyphenated: false });
  return lines;
}

// Room at a line's end, as a share of its width, that is taken for usual: a word is parted only where more would stay.
const USUAL_ROOM = 0.25;

const isTooShort = (usual: Fit | null, maxWidth: number): boolean =>
  usual === null || usual.line.width < maxWidth * (1 - USUAL_ROOM);

function trimEnd(text: string, start: number, end: number): number {
  let at = end;
  while (at > start && /\s/.test(text[at - 1])) at--;
  return at;
}
