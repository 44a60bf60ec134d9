import type { Rect } from '@/core/kit/rect';
import { intersectRects } from '@/core/kit/rect';
import type { Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';

/** The side (px) of a tile: a whole number of blocks of any coding, so that no block has colour in a part of it only. */
const TILE_PX = 64;

/** Colours of a tile for those next to it: red, green and blue at the mean, and how much is seen; all 0 for nothing. */
const FIGURES = 4;

/**
 * Gives what is not seen of a picture the colour of what is seen next to it, outwards from every edge, so that codings
 * that share colour between neighbours, or change sizes later, do not darken edges. Alpha stays as it is, and so does the
 * colour of everything that is seen at all. Within a tile each pass of halving means colours by their alpha, and what has
 * none takes that of the smallest piece round it that has some; a tile without any takes the mean of the tiles round it.
 * What changes of a picture is given tile by tile; the rest is known.
 */
export class ColourBleed {
  private readonly across: number;
  private readonly means: Float32Array;
  private readonly frame: Rect;
  private readonly levels = emptyLevels();
  private coarse = new Int32Array(0);

  constructor(widthPx: number, heightPx: number) {
    this.frame = { x: 0, y: 0, width: widthPx, height: heightPx };
    this.across = Math.ceil(widthPx / TILE_PX);
    this.means = new Float32Array(this.across * Math.ceil(heightPx / TILE_PX) * FIGURES);
  }

  /** An area of the picture made larger to whole tiles. */
  tilesOf({ x, y, width, height }: Rect): Rect {
    const [left, top] = [Math.floor(x / TILE_PX) * TILE_PX, Math.floor(y / TILE_PX) * TILE_PX];
    const right = Math.ceil((x + width) / TILE_PX) * TILE_PX;
    const bottom = Math.ceil((y + height) / TILE_PX) * TILE_PX;
    return intersectRects({ x: left, y: top, width: right - left, height: bottom - top }, this.frame);
  }

  /** Fills what is not seen in tiles in which something is: straight-alpha RGBA, in place, of an area of whole tiles. */
  fillTiles(pixels: Pixels, area: Rect): void {
    const seen = this.inEightBits(pixels);
    for (const tile of tilesIn(area)) {
      const part = {
        stride: area.width,
        from: (tile.y - area.y) * area.width + tile.x - area.x,
        width: tile.width,
        height: tile.height,
      };
      const at = this.indexOf(tile);
      this.means.set(this.fillTile(pixels, seen, part), at);
    }
  }

  /** Each tile without anything seen in an area and right round it, with the colour (red, green, blue of 8 bits) that it takes. */
  *emptyTilesNear(area: Rect): Generator<{ readonly tile: Rect; readonly colour: readonly number[] }> {
    const round = { x: area.x - 1, y: area.y - 1, width: area.width + 2, height: area.height + 2 };
    for (const tile of tilesIn(this.tilesOf(intersectRects(round, this.frame))))
      if (this.means[this.indexOf(tile) + 3] === 0) yield { tile, colour: this.colourRound(tile) };
  }

  private indexOf({ x, y }: Rect): number {
    return ((y / TILE_PX) * this.across + x / TILE_PX) * FIGURES;
  }

  /** The mean of the tiles round one, by how much is seen of them. */
  private colourRound({ x, y }: Rect): readonly number[] {
    const sums = [0, 0, 0, 0];
    for (const dy of [-TILE_PX, 0, TILE_PX])
      for (const dx of [-TILE_PX, 0, TILE_PX]) {
        const next = { x: x + dx, y: y + dy, width: 1, height: 1 };
        if (intersectRects(next, this.frame).width * intersectRects(next, this.frame).height === 0) continue;
        const at = this.indexOf(next);
        const weight = this.means[at + 3];
        for (let i = 0; i < 3; i++) sums[i] += this.means[at + i] * weight;
        sums[3] += weight;
      }
    return sums[3] === 0 ? [0, 0, 0] : sums.slice(0, 3).map((sum) => Math.round(sum / sums[3]));
  }

  /** Each pixel as 32 bits with alpha highest, of 8 bits a channel: nobody sees more. */
  private inEightBits(pixels: Pixels): Int32Array {
    const length = pixels.length / 4;
    // All machines that this runs on put the lowest byte first.
    if (!isDeep(pixels)) return new Int32Array(pixels.buffer, pixels.byteOffset, length);
    if (this.coarse.length < length) this.coarse = new Int32Array(length);
    for (let i = 0; i < length; i++) this.coarse[i] = coarsePixel(pixels, i * 4);
    return this.coarse;
  }

  private fillTile(pixels: Pixels, seen: Int32Array, part: Part): ArrayLike<number> {
    if (isAllSeen(seen, part)) return meanOfSome(seen, part);
    const { levels } = this;
    halvePixels(seen, part, levels[0]);
    for (let i = 1; i < levels.length; i++) halve(levels[i - 1], levels[i]);
    const { sums } = levels[levels.length - 1];
    if (sums[3] === 0) return [0, 0, 0, 0];
    for (let i = levels.length - 1; i >= 0; i--) colourPieces(levels[i], levels[i + 1] ?? null);
    giveColours(pixels, part, levels[0]);
    return sums;
  }
}

/** A tile within the pixels of an area. */
interface Part {
  readonly stride: number;
  /** Where its first pixel is. */
  readonly from: number;
  readonly width: number;
  readonly height: number;
}

function* tilesIn({ x, y, width, height }: Rect): Generator<Rect> {
  for (let top = y; top < y + height; top += TILE_PX)
    for (let left = x; left < x + width; left += TILE_PX)
      yield {
        x: left,
        y: top,
        width: Math.min(TILE_PX, x + width - left),
        height: Math.min(TILE_PX, y + height - top),
      };
}

function isAllSeen(seen: Int32Array, { stride, from, width, height }: Part): boolean {
  for (let y = 0; y < height; y++) {
    const row = from + y * stride;
    for (let at = row; at < row + width; at++) if (seen[at] >>> 24 === 0) return false;
  }
  return true;
}

/** A pixel of 16 bits a channel as one of 8; what is seen at all stays seen. */
function coarsePixel(pixels: Pixels, at: number): number {
  if (pixels[at + 3] === 0) return 0;
  const alpha = Math.max(1, pixels[at + 3] >> 8);
  return (alpha << 24) | ((pixels[at + 2] >> 8) << 16) | (pixels[at + 1] & 0xff00) | (pixels[at] >> 8);
}

/** The mean of every eighth pixel of a tile that is seen all over. */
function meanOfSome(seen: Int32Array, { stride, from, width, height }: Part): number[] {
  const sums = [0, 0, 0, 0];
  for (let y = 0; y < height; y += 8)
    for (let x = 0; x < width; x += 8) {
      const pixel = seen[from + y * stride + x];
      const alpha = pixel >>> 24;
      for (let i = 0; i < 3; i++) sums[i] += ((pixel >> (8 * i)) & 255) * alpha;
      sums[3] += alpha;
    }
  // As much as if all had been looked at.
  return [...sums.slice(0, 3).map((sum) => sum / sums[3]), sums[3] * 64];
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

function halvePixels(seen: Int32Array, { stride, from, width, height }: Part, { across, sums }: Level): void {
  sums.fill(0);
  for (let y = 0; y < height; y++) {
    const row = from + y * stride;
    const to = (y >> 1) * across;
    for (let x = 0; x < width; x++) {
      const pixel = seen[row + x];
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

/** Gives every pixel of a tile that is not seen the colour of the piece that it lies in. */
function giveColours(
  pixels: Pixels,
  { stride, from, width, height }: Part,
  { across, colours }: Level,
): void {
  const scale = isDeep(pixels) ? 257 : 1;
  for (let y = 0; y < height; y++) {
    let at = (from + y * stride) * 4;
    const near = (y >> 1) * across;
    for (let x = 0; x < width; x++, at += 4) {
      if (pixels[at + 3] !== 0) continue;
      const colour = colours[near + (x >> 1)];
      pixels[at] = (colour & 255) * scale;
      pixels[at + 1] = ((colour >> 8) & 255) * scale;
      pixels[at + 2] = ((colour >> 16) & 255) * scale;
    }
  }
}
