import { linearOfSrgb } from '../colour/transfer';

// What each of the 256 values of a channel is in linear light (WCAG 2.2, relative luminance).
const LINEAR = Float64Array.from({ length: 256 }, (_, i) => linearOfSrgb(i / 255));

/** Relative luminance (WCAG 2.2) of a colour with channels of 0 to 255, not necessarily whole: 0 is black, 1 white. */
export function luminance(red: number, green: number, blue: number): number {
  return linearLuminance(linearOf(red), linearOf(green), linearOf(blue));
}

/** Relative luminance (WCAG 2.2) of a colour with channels in linear light, 0 to 1. */
export function linearLuminance(red: number, green: number, blue: number): number {
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

/** A channel of 0 to 255 in linear light, 0 to 1. */
export function linearOf(channel: number): number {
  if (channel <= 0) return LINEAR[0];
  if (channel >= 255) return LINEAR[255];
  // Whole numbers by bits: it is asked for every pixel of every picture that a check looks at.
  const low = channel | 0;
  const share = channel - low;
  return share === 0 ? LINEAR[low] : LINEAR[low] + (LINEAR[low + 1] - LINEAR[low]) * share;
}

/** Contrast ratio of two relative luminances (WCAG 2.2): 1 for the same, 21 for black and white. */
export function contrastRatio(a: number, b: number): number {
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}
