/*
 * Colours of composite video, and levels of studio equipment. Luma and colour differences by ITU-R BT.1700; how far a
 * composite signal may go by the colour bars 100/0/75/0 of ITU-R BT.471: never above white, and not further below
 * black than 75 % red and blue do.
 */
const [RED_LUMA, GREEN_LUMA, BLUE_LUMA] = [0.299, 0.587, 0.114];
const [U_SHARE, V_SHARE] = [0.492, 0.877];
const MOST = 1;
// Of 75 % red: luma 0.224, colour 0.474.
const LEAST = -0.25;

/**
 * By how much red, green and blue (0 to 1, as they are shown) are multiplied so that their composite signal stays within
 * its limits: 1 for colours that do already. Hue and saturation stay; greys up to white are never changed.
 */
export function compositeScale(red: number, green: number, blue: number): number {
  const luma = RED_LUMA * red + GREEN_LUMA * green + BLUE_LUMA * blue;
  const colour = Math.hypot(U_SHARE * (blue - luma), V_SHARE * (red - luma));
  const above = luma + colour;
  const below = luma - colour;
  // The signal grows with the colour, so what is so many times too far is as many times too bright.
  return Math.min(1, above > MOST ? MOST / above : 1, below < LEAST ? LEAST / below : 1);
}

/** Holds straight-alpha RGBA, in place, to colours of composite video; `full`: the largest value of a channel. */
export function limitToComposite(pixels: Uint8ClampedArray | Uint16Array, full: number): void {
  for (let at = 0; at < pixels.length; at += 4) {
    if (pixels[at + 3] === 0) continue;
    const [red, green, blue] = [pixels[at], pixels[at + 1], pixels[at + 2]];
    const scale = compositeScale(red / full, green / full, blue / full);
    if (scale === 1) continue;
    // Down, so that no channel grows; rounding leads out by less than a step.
    pixels[at] = Math.floor(red * scale);
    pixels[at + 1] = Math.floor(green * scale);
    pixels[at + 2] = Math.floor(blue * scale);
  }
}

// ITU-R BT.709, item 6: black at 16 and white at 235 of eight bits, and as much finer with more.
const [BLACK, WHITE] = [16, 235];

/** Puts the colours of RGBA, in place, on studio levels: black at 16 and white at 235 of 255. Alpha stays. */
export function toStudioLevels(pixels: Uint8ClampedArray | Uint16Array, full: number): void {
  const step = (full + 1) / 256;
  const [black, share] = [BLACK * step, ((WHITE - BLACK) * step) / full];
  for (let at = 0; at < pixels.length; at += 4)
    for (let channel = 0; channel < 3; channel++)
      pixels[at + channel] = Math.round(black + pixels[at + channel] * share);
}
