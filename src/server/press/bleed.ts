/** How far (px) colour goes on outwards from what is seen: more than a block of any coding. */
export const REACH_PX = 32;

/**
 * Gives what is not seen the colour of what is seen next to it, outwards from every edge, so that codings that share
 * colour between neighbours, or change sizes later, do not darken edges. Alpha stays as it is, and so does the colour of
 * everything that is seen at all. Works on straight-alpha RGBA in place; each pass of halving means colours by their
 * alpha, and what has none takes that of the smallest piece round it that has some.
 */
export function bleedColour(pixels: Uint8ClampedArray, widthPx: number, heightPx: number): void {
  // Whole pixels at a time: what is read is mostly nothing.
  const whole = new Uint32Array(pixels.buffer, pixels.byteOffset, widthPx * heightPx);
  const area = seenArea(whole, widthPx, heightPx);
  if (area === null) return;
  const { colours, width } = coloursNear(whole, widthPx, area);
  for (let y = 0; y < area.height; y++) {
    const row = (area.y + y) * widthPx + area.x;
    const near = (y >> 1) * width;
    for (let x = 0; x < area.width; x++)
      if ((whole[row + x] & ALPHA) === 0) whole[row + x] = colours[near + (x >> 1)] & ~ALPHA;
  }
}

// Where the alpha of a pixel is in its 32 bits; all machines that this runs on put the lowest byte first.
const ALPHA = 0xff000000;

interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What is seen and as much round it as colour reaches; null where nothing is. */
function seenArea(whole: Uint32Array, widthPx: number, heightPx: number): Area | null {
  let [left, top, right, bottom] = [widthPx, heightPx, -1, -1];
  for (let y = 0; y < heightPx; y++) {
    const row = y * widthPx;
    let first = 0;
    while (first < widthPx && (whole[row + first] & ALPHA) === 0) first++;
    if (first === widthPx) continue;
    let last = widthPx - 1;
    while ((whole[row + last] & ALPHA) === 0) last--;
    left = Math.min(left, first);
    right = Math.max(right, last);
    top = Math.min(top, y);
    bottom = y;
  }
  if (right < 0) return null;
  const x = Math.max(0, left - REACH_PX);
  const y = Math.max(0, top - REACH_PX);
  return {
    x,
    y,
    width: Math.min(widthPx, right + 1 + REACH_PX) - x,
    height: Math.min(heightPx, bottom + 1 + REACH_PX) - y,
  };
}

/** Pieces of 2, 4, 8 … pixels. */
interface Level {
  readonly width: number;
  readonly height: number;
  /** Mean colour of each piece, and the alpha that it was weighed by. */
  readonly sums: Float32Array;
}

/** Colours of pieces, opaque; 0 for those that have none near. */
interface Colours {
  readonly width: number;
  readonly colours: Uint32Array;
}

/** The colour of each piece of two by two pixels: of the smallest piece round it that has some, up to twice the reach. */
function coloursNear(whole: Uint32Array, widthPx: number, area: Area): Colours {
  const levels = [halvePixels(whole, widthPx, area)];
  while (2 ** levels.length < REACH_PX * 2) levels.push(halve(levels[levels.length - 1]));
  let above: Colours | null = null;
  for (const level of levels.toReversed()) above = fillFrom(level, above);
  return above ?? { width: 0, colours: new Uint32Array() };
}

function emptyLevel(width: number, height: number): Level {
  const [across, down] = [Math.ceil(width / 2), Math.ceil(height / 2)];
  return { width: across, height: down, sums: new Float32Array(across * down * 4) };
}

function halvePixels(whole: Uint32Array, widthPx: number, area: Area): Level {
  const level = emptyLevel(area.width, area.height);
  const { width: across, sums } = level;
  for (let y = 0; y < area.height; y++) {
    const from = (area.y + y) * widthPx + area.x;
    const row = (y >> 1) * across;
    for (let x = 0; x < area.width; x++) {
      const pixel = whole[from + x];
      const alpha = pixel >>> 24;
      if (alpha === 0) continue;
      const to = (row + (x >> 1)) * 4;
      sums[to] += (pixel & 255) * alpha;
      sums[to + 1] += ((pixel >> 8) & 255) * alpha;
      sums[to + 2] += ((pixel >> 16) & 255) * alpha;
      sums[to + 3] += alpha;
    }
  }
  toMeans(sums);
  return level;
}

function halve({ width, height, sums: from }: Level): Level {
  const level = emptyLevel(width, height);
  const { width: across, sums } = level;
  for (let y = 0; y < height; y++) {
    let at = y * width * 4;
    const row = (y >> 1) * across;
    for (let x = 0; x < width; x++, at += 4) {
      const alpha = from[at + 3];
      if (alpha === 0) continue;
      const to = (row + (x >> 1)) * 4;
      sums[to] += from[at] * alpha;
      sums[to + 1] += from[at + 1] * alpha;
      sums[to + 2] += from[at + 2] * alpha;
      sums[to + 3] += alpha;
    }
  }
  toMeans(sums);
  return level;
}

function toMeans(sums: Float32Array): void {
  for (let at = 0; at < sums.length; at += 4) {
    const alpha = sums[at + 3];
    if (alpha === 0) continue;
    sums[at] /= alpha;
    sums[at + 1] /= alpha;
    sums[at + 2] /= alpha;
  }
}

/** The colours of pieces; those that have none take that of the larger piece that they lie in. */
function fillFrom({ width, height, sums }: Level, larger: Colours | null): Colours {
  const colours = new Uint32Array(width * height);
  for (let y = 0; y < height; y++) {
    const above = larger === null ? 0 : (y >> 1) * larger.width;
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      if (sums[at + 3] > 0)
        // Values are never below 0, so this rounds.
        colours[at >> 2] =
          ALPHA | (sums[at] + 0.5) | ((sums[at + 1] + 0.5) << 8) | ((sums[at + 2] + 0.5) << 16);
      else if (larger !== null) colours[at >> 2] = larger.colours[above + (x >> 1)];
    }
  }
  return { width, colours };
}
