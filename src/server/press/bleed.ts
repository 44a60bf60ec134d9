/** How far (px) colour goes on outwards from what is seen: more than a block of any coding. */
export const REACH_PX = 32;

/**
 * Gives what is not seen the colour of what is seen next to it, outwards from every edge, so that codings that share
 * colour between neighbours, or change sizes later, do not darken edges. Alpha stays as it is, and so does the colour of
 * everything that is seen at all. Works on straight-alpha RGBA in place; each pass of halving means colours by their
 * alpha, and what has none takes that of the smallest piece round it that has some. The largest piece is a tile; one tile
 * after another is small enough to stay near the processor, and those that are wholly seen or wholly empty are left alone.
 */
export function bleedColour(pixels: Uint8ClampedArray, widthPx: number, heightPx: number): void {
  // Whole pixels at a time: what is read is mostly nothing.
  const whole = new Int32Array(pixels.buffer, pixels.byteOffset, widthPx * heightPx);
  const area = seenArea(whole, widthPx, heightPx);
  if (area === null) return;
  const levels = emptyLevels();
  const [right, bottom] = [area.x + area.width, area.y + area.height];
  for (let y = area.y; y < bottom; y += TILE_PX)
    for (let x = area.x; x < right; x += TILE_PX) {
      const width = Math.min(TILE_PX, right - x);
      const height = Math.min(TILE_PX, bottom - y);
      fillTile({ whole, stride: widthPx, from: y * widthPx + x, width, height }, levels);
    }
}

// Where the alpha of a pixel is in its 32 bits; all machines that this runs on put the lowest byte first.
const ALPHA = 0xff << 24;

const TILE_PX = REACH_PX * 2;

interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What is seen and as much round it as colour reaches; null where nothing is. */
function seenArea(whole: Int32Array, widthPx: number, heightPx: number): Area | null {
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

/** A piece of a picture, at most a tile large. */
interface Tile {
  readonly whole: Int32Array;
  readonly stride: number;
  /** Where its first pixel is. */
  readonly from: number;
  readonly width: number;
  readonly height: number;
}

/** The pieces of 2, 4, 8 … pixels of a tile, row by row. */
interface Level {
  readonly across: number;
  /** Mean colour of each piece, and the alpha that it was weighed by. */
  readonly sums: Float32Array;
  /** The colour of each piece, without alpha: its own, or that of the larger piece that it lies in. */
  readonly colours: Int32Array;
}

function emptyLevels(): Level[] {
  const levels: Level[] = [];
  for (let across = TILE_PX / 2; across >= 1; across /= 2)
    levels.push({
      across,
      sums: new Float32Array(across * across * 4),
      colours: new Int32Array(across * across),
    });
  return levels;
}

function fillTile(tile: Tile, levels: readonly Level[]): void {
  if (!hasBoth(tile)) return;
  halvePixels(tile, levels[0]);
  for (let i = 1; i < levels.length; i++) halve(levels[i - 1], levels[i]);
  for (let i = levels.length - 1; i >= 0; i--) colourPieces(levels[i], levels[i + 1] ?? null);
  const { whole, stride, from, width, height } = tile;
  const [{ across, colours }] = levels;
  for (let y = 0; y < height; y++) {
    const row = from + y * stride;
    const near = (y >> 1) * across;
    for (let x = 0; x < width; x++)
      if ((whole[row + x] & ALPHA) === 0) whole[row + x] = colours[near + (x >> 1)];
  }
}

/** Whether a tile has pixels that are seen and others that are not. */
function hasBoth({ whole, stride, from, width, height }: Tile): boolean {
  let seen = 0;
  for (let y = 0, row = from; y < height; y++, row += stride) {
    for (let at = row; at < row + width; at++) if ((whole[at] & ALPHA) !== 0) seen++;
    if (seen > 0 && seen < (y + 1) * width) return true;
  }
  return false;
}

function halvePixels({ whole, stride, from, width, height }: Tile, { across, sums }: Level): void {
  sums.fill(0);
  for (let y = 0; y < height; y++) {
    const row = from + y * stride;
    const to = (y >> 1) * across;
    for (let x = 0; x < width; x++) {
      const pixel = whole[row + x];
      const alpha = pixel >>> 24;
      if (alpha === 0) continue;
      const at = (to + (x >> 1)) * 4;
      sums[at] += (pixel & 255) * alpha;
      sums[at + 1] += ((pixel >> 8) & 255) * alpha;
      sums[at + 2] += ((pixel >> 16) & 255) * alpha;
      sums[at + 3] += alpha;
    }
  }
  toMeans(sums);
}

function halve({ across: width, sums: from }: Level, { across, sums }: Level): void {
  sums.fill(0);
  for (let y = 0, at = 0; y < width; y++) {
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
function colourPieces({ across, sums, colours }: Level, larger: Level | null): void {
  for (let y = 0, i = 0; y < across; y++)
    for (let x = 0; x < across; x++, i++) {
      const at = i * 4;
      if (sums[at + 3] > 0)
        // Values are never below 0, so this rounds.
        colours[i] = (sums[at] + 0.5) | ((sums[at + 1] + 0.5) << 8) | ((sums[at + 2] + 0.5) << 16);
      else colours[i] = larger === null ? 0 : larger.colours[(y >> 1) * larger.across + (x >> 1)];
    }
}
