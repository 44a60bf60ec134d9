import type { Rect } from '../kit/rect';
import { luminance } from '../proof/luminance';
import type { BackdropFrame } from '../proof/eyes';
import { backdropPoint } from '../proof/eyes';

/** How restless a picture is over a while, in cells from the top left: 0 is an even surface that stands still. */
export interface QuietMap {
  readonly columns: number;
  readonly rows: number;
  /** Edges within the cell, at the mean of the while, as a share of the largest luminance. */
  readonly detail: Float32Array;
  /** How much the cell changes between two looks, at the mean. */
  readonly movement: Float32Array;
  /** Mean relative luminance. */
  readonly light: Float32Array;
}

const CELLS_ON_LONG_SIDE = 48;
// Looks into each cell, across and down.
const LOOKS = 3;

/** Maps detail and movement of pictures that follow one another, as a format of an aspect shows them; null for no pictures. */
export function quietMap(pictures: readonly BackdropFrame[], aspect: number): QuietMap | null {
  if (pictures.length === 0) return null;
  const columns = Math.max(6, Math.round(aspect >= 1 ? CELLS_ON_LONG_SIDE : CELLS_ON_LONG_SIDE * aspect));
  const rows = Math.max(6, Math.round(columns / aspect));
  const cells = columns * rows;
  const detail = new Float32Array(cells);
  const movement = new Float32Array(cells);
  const light = new Float32Array(cells);
  let before: Float32Array | null = null;
  for (const picture of pictures) {
    const looks = look(picture, aspect, columns * LOOKS, rows * LOOKS);
    addPicture(looks, before, { columns, rows, detail, movement, light });
    before = looks;
  }
  const mean = (sum: number, count: number): number => (count === 0 ? 0 : sum / count);
  for (let i = 0; i < cells; i++) {
    detail[i] = mean(detail[i], pictures.length);
    light[i] = mean(light[i], pictures.length);
    movement[i] = mean(movement[i], pictures.length - 1);
  }
  return { columns, rows, detail, movement, light };
}

/** Perceived lightness at points spread evenly over the format's picture. */
function look(picture: BackdropFrame, aspect: number, across: number, down: number): Float32Array {
  return Float32Array.from({ length: across * down }, (_, i) => {
    const at = backdropPoint(
      picture,
      { aspect },
      ((i % across) + 0.5) / across,
      (Math.floor(i / across) + 0.5) / down,
    );
    const p = (at.y * picture.width + at.x) * 4;
    return luminance(picture.data[p], picture.data[p + 1], picture.data[p + 2]) ** (1 / 2.2);
  });
}

function addPicture(looks: Float32Array, before: Float32Array | null, map: QuietMap): void {
  const across = map.columns * LOOKS;
  const height = map.rows * LOOKS;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < across; x++) {
      const i = y * across + x;
      const cell = Math.floor(y / LOOKS) * map.columns + Math.floor(x / LOOKS);
      const right = x + 1 < across ? Math.abs(looks[i + 1] - looks[i]) : 0;
      const below = y + 1 < height ? Math.abs(looks[i + across] - looks[i]) : 0;
      map.detail[cell] += (right + below) / (LOOKS * LOOKS);
      map.light[cell] += looks[i] ** 2.2 / (LOOKS * LOOKS);
      if (before !== null) map.movement[cell] += Math.abs(looks[i] - before[i]) / (LOOKS * LOOKS);
    }
  }
}

// Something that moves draws the eye more than something that is only detailed.
const MOVEMENT_WEIGHT = 2;

/** How restless the map is under a rectangle (shares of the picture): the mean of the cells that it touches. */
export function restlessness({ columns, rows, detail, movement }: QuietMap, rect: Rect): number {
  const [fromX, toX] = [Math.floor(rect.x * columns), Math.ceil((rect.x + rect.width) * columns)];
  const [fromY, toY] = [Math.floor(rect.y * rows), Math.ceil((rect.y + rect.height) * rows)];
  let sum = 0;
  let count = 0;
  for (let y = Math.max(0, fromY); y < Math.min(rows, toY); y++) {
    for (let x = Math.max(0, fromX); x < Math.min(columns, toX); x++) {
      sum += detail[y * columns + x] + MOVEMENT_WEIGHT * movement[y * columns + x];
      count++;
    }
  }
  return count === 0 ? Infinity : sum / count;
}
