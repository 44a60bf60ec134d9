import type { Rect } from '../kit/rect';
import { ALIGN_SHARES } from '../text/alignShares';

/** Where a picture of a row lies, from the top left corner of its block. */
export type PictureSide = Rect;

interface RowPicture {
  readonly asset: string;
  /** undefined for a picture that is not here. */
  readonly size: { readonly widthPx: number; readonly heightPx: number } | undefined;
}

interface RowRoom {
  /** The height of a square one. */
  readonly heightU: number;
  readonly widthU: number;
  readonly gapU: number;
  readonly align: 'left' | 'centre' | 'right';
}

// How tall and how wide one may be against a square one, before its area gives way.
const TALLEST = 1.25;
const WIDEST = 3;

/**
 * Pictures side by side so that they look equally heavy: each covers about the area of a square one, where that does not
 * make it taller than 1.25 times or wider than three times that; all are made smaller alike where the row is full. Their
 * middles lie on one line. Those that are not here have a place as if they were square.
 */
export function pictureRow(
  pictures: readonly RowPicture[],
  { heightU, widthU, gapU, align }: RowRoom,
): { readonly asset: string; readonly rect: PictureSide }[] {
  const there = pictures.filter(({ asset }) => asset !== '');
  if (there.length === 0) return [];
  const sides = there.map(({ asset, size }) => {
    const aspect = size === undefined ? 1 : size.widthPx / Math.max(1, size.heightPx);
    const height = Math.min(
      Math.sqrt((heightU * heightU) / aspect),
      heightU * TALLEST,
      (heightU * WIDEST) / aspect,
    );
    return { asset, width: height * aspect, height };
  });
  const gaps = gapU * (sides.length - 1);
  const full = sides.reduce((sum, { width }) => sum + width, 0);
  const scale = Math.min(1, Math.max(0.05, (widthU - gaps) / full));
  const rowHeight = Math.max(...sides.map(({ height }) => height)) * scale;
  let x = Math.max(0, (widthU - gaps - full * scale) * ALIGN_SHARES[align]);
  return sides.map(({ asset, width, height }) => {
    const rect = {
      x,
      y: (rowHeight - height * scale) / 2,
      width: width * scale,
      height: height * scale,
    };
    x += rect.width + gapU;
    return { asset, rect };
  });
}
