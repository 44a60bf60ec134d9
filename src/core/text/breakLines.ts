import type { MeasuredParagraph } from './measureLines';

/** A line as positions [start, end) of its paragraph, trailing spaces left out. */
export interface LineRange {
  readonly start: number;
  readonly end: number;
  /** In design units, a hyphen at its end included. */
  readonly width: number;
}

// Halvings of the room between the longest line and the whole width: 2^-10 of it is under a unit.
const HALVINGS = 10;

/**
 * Breaks a measured paragraph into lines no wider than `maxWidth` (design units) at the places UAX 14 allows,
 * filling each line in turn. A single word that is wider stays whole and sticks out. Balanced lines are as many,
 * but about equally long: the narrowest width that needs no more lines is taken.
 */
export function breakLines(paragraph: MeasuredParagraph, maxWidth: number, balanced = false): LineRange[] {
  const { text } = paragraph.paragraph;
  const end = trimEnd(text, 0, text.length);
  const whole = { start: 0, end, width: paragraph.width(0, end) };
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

function fillLines({ paragraph, breaks, width }: MeasuredParagraph, maxWidth: number): LineRange[] {
  const { text } = paragraph;
  const lineTo = (
    start: number,
    place: { readonly position: number; readonly hyphenU: number },
  ): LineRange => {
    const end = trimEnd(text, start, place.position);
    return { start, end, width: width(start, end) + place.hyphenU };
  };
  const lines: LineRange[] = [];
  let start = 0;
  let lastFit: LineRange | null = null;
  let fitPosition = 0;
  for (const place of breaks) {
    let line = lineTo(start, place);
    if (line.width > maxWidth && lastFit !== null) {
      lines.push(lastFit);
      start = fitPosition;
      line = lineTo(start, place);
    }
    lastFit = line;
    fitPosition = place.position;
  }
  const end = trimEnd(text, start, text.length);
  lines.push({ start, end, width: width(start, end) });
  return lines;
}

function trimEnd(text: string, start: number, end: number): number {
  let at = end;
  while (at > start && /\s/.test(text[at - 1])) at--;
  return at;
}
