import { linearOfSrgb } from '../colour/transfer';

// What each of the 256 values of a channel is in linear light (WCAG 2.2, relative luminance).
const LINEAR = Float64Array.from({ length: 256 }, (_, i) => linearOfSrgb(i / 255));

/** Relative luminance (WCAG 2.2) of a colour with channels of 0 to 255, not necessarily whole: 0 is black, 1 white. */
export function luminance(red: number, green: number, blue: number): number {
  return 0.2126 * linearOf(red) + 0.7152 * linearOf(green) + 0.0722 * linearOf(blue);
}

/** A channel of 0 to 255 in linear light, 0 to 1. */
export function linearOf(channel: number): number {
  const low = Math.max(0, Math.min(255, Math.floor(channel)));
  const share = channel - low;
  return share <= 0 || low === 255 ? LINEAR[low] : LINEAR[low] + (LINEAR[low + 1] - LINEAR[low]) * share;
}

/** Contrast ratio of two relative luminances (WCAG 2.2): 1 for the same, 21 for black and white. */
export function contrastRatio(a: number, b: number): number {
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}
