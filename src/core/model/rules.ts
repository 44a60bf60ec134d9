import * as yup from 'yup';
import { exactly, listOf, number } from './schemaParts';

/** How fast viewers read. */
export interface ReadingRules {
  readonly wordsPerSecond: number;
  readonly charactersPerSecond: number;
  /** For scripts without spaces. */
  readonly unspacedPerSecond: number;
  /** What it takes to notice a title. */
  readonly noticeSeconds: number;
  readonly leastSeconds: number;
}

/** What checks find fault with. */
export interface CheckRules {
  /** Ratios of relative luminance (WCAG 2.2), for text and for large text. */
  readonly contrastText: number;
  readonly contrastLarge: number;
  /** Text with capitals of at least this share of the picture's height is large. */
  readonly largeCapShare: number;
  /** The smallest capitals, as a share of the picture's height, or of a tall picture's width. */
  readonly smallestCapShare: number;
  /** Lines of the frame that an edge needs when it is interlaced. */
  readonly thinLines: number;
  readonly flashesPerSecond: number;
  /** A title that is over a cut by at most so many frames was meant to stop there. */
  readonly overCutFrames: number;
  /** A title that starts at most so many frames after a cut starts too close to it. */
  readonly nearCutFrames: number;
  /** Text squeezed below this share of its width is hard to read. */
  readonly squeezeShare: number;
  /** Words that stand in for others in this House, beside the usual ones; left out for none. */
  readonly standIns?: readonly string[];
  /** Checks that are not made, by id. */
  readonly off: readonly string[];
}

/** Reading speeds of subtitling practice, and a moment to notice the title. */
export const FIRST_READING: ReadingRules = {
  wordsPerSecond: 2.7,
  charactersPerSecond: 15,
  unspacedPerSecond: 8,
  noticeSeconds: 0.7,
  leastSeconds: 2,
};

/** WCAG 2.2 contrast, EBU practice for small text and thin lines, WCAG 2.3.1 for flashes. */
export const FIRST_CHECKS: CheckRules = {
  contrastText: 4.5,
  contrastLarge: 3,
  largeCapShare: 0.035,
  smallestCapShare: 0.02,
  thinLines: 2,
  flashesPerSecond: 3,
  overCutFrames: 12,
  nearCutFrames: 6,
  squeezeShare: 0.8,
  off: [],
};

export const readingSchema = exactly({
  wordsPerSecond: number(0.5, 10),
  charactersPerSecond: number(3, 60),
  unspacedPerSecond: number(1, 30),
  noticeSeconds: number(0, 5),
  leastSeconds: number(0, 10),
});

export const checksSchema = exactly({
  contrastText: number(1, 21),
  contrastLarge: number(1, 21),
  largeCapShare: number(0, 0.5),
  smallestCapShare: number(0, 0.5),
  thinLines: number(0, 10),
  flashesPerSecond: number(0, 30),
  overCutFrames: number(0, 250),
  nearCutFrames: number(0, 250),
  squeezeShare: number(0.1, 1),
  standIns: yup.array().of(yup.string().required().max(80)).max(200),
  off: listOf(yup.string().required().max(40), 40),
});
