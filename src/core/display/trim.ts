import type { Outline } from './outline';
import { flattenOutline } from './flatten';
import { OutlineBuilder } from './outline';

/** The beginning of each contour of an outline, as open lines: `share` (0 to 1) of its length. */
export function trimOutline(outline: Outline, share: number): Outline {
  const b = new OutlineBuilder();
  for (const contour of flattenOutline(outline)) {
    const lengths = contour.map(([x, y], i) => {
      const [x0, y0] = contour[Math.max(0, i - 1)];
      return Math.hypot(x - x0, y - y0);
    });
    let left = lengths.reduce((sum, one) => sum + one, 0) * Math.max(0, Math.min(1, share));
    for (let i = 1; i < contour.length && left > 0; i++) {
      const [[x0, y0], [x1, y1]] = [contour[i - 1], contour[i]];
      const part = lengths[i] <= left ? 1 : left / lengths[i];
      if (i === 1) b.moveTo(x0, y0);
      b.lineTo(x0 + (x1 - x0) * part, y0 + (y1 - y0) * part);
      left -= lengths[i];
    }
  }
  return b.build();
}
