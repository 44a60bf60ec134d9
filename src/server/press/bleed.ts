/** How far (px) colour goes on outwards from what is seen: more than a block of any coding. */
const REACH_PX = 32;

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
  const levels = halvings(pixels, widthPx, area);
  for (let y = 0; y < area.height; y++) {
    const row = (area.y + y) * widthPx + area.x;
    for (let x = 0; x < area.width; x++)
      if ((whole[row + x] & ALPHA) === 0) whole[row + x] = colourNear(levels, x, y);
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

interface Level {
  readonly width: number;
  readonly height: number;
  /** Mean colour of each piece, and the alpha that it was weighed by. */
  readonly sums: Float32Array;
}

/** The area in pieces of 2, 4, 8 … pixels, up to twice the reach. */
function halvings(pixels: Uint8ClampedArray, widthPx: number, area: Area): Level[] {
  const offset = area.y * widthPx + area.x;
  const levels = [halve(pixels, { width: area.width, height: area.height, stride: widthPx, offset })];
  while (2 ** levels.length < REACH_PX * 2) {
    const { sums, width, height } = levels[levels.length - 1];
    levels.push(halve(sums, { width, height, stride: width, offset: 0 }));
  }
  return levels;
}

interface Grid {
  readonly width: number;
  readonly height: number;
  readonly stride: number;
  readonly offset: number;
}

function halve(from: ArrayLike<number>, { width, height, stride, offset }: Grid): Level {
  const [across, down] = [Math.ceil(width / 2), Math.ceil(height / 2)];
  const sums = new Float32Array(across * down * 4);
  for (let y = 0; y < height; y++) {
    let at = (offset + y * stride) * 4;
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
  for (let at = 0; at < sums.length; at += 4) {
    const alpha = sums[at + 3];
    if (alpha === 0) continue;
    sums[at] /= alpha;
    sums[at + 1] /= alpha;
    sums[at + 2] /= alpha;
  }
  return { width: across, height: down, sums };
}

/** The colour of the smallest piece round a pixel that has some, without alpha; 0 where none has. */
function colourNear(levels: readonly Level[], x: number, y: number): number {
  for (let level = 0; level < levels.length; level++) {
    const { width, sums } = levels[level];
    const at = ((y >> (level + 1)) * width + (x >> (level + 1))) * 4;
    if (sums[at + 3] > 0)
      return Math.round(sums[at]) | (Math.round(sums[at + 1]) << 8) | (Math.round(sums[at + 2]) << 16);
  }
  return 0;
}
