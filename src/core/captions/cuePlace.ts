import type { Rect } from '../kit/rect';
import { growRect, intersectRects, unionRects } from '../kit/rect';
import type { Cue } from '../model/captions';
import type { CompiledTitle } from '../timeline/compile';

// Words mostly stand on panels of their own: nearer than this, those would touch.
const APART_U = 96;

/** What a title's words cover when they are at rest, in design units; null for one without words. */
export function wordsCover({ texts, boxes }: Pick<CompiledTitle, 'texts' | 'boxes'>): Rect | null {
  return unionRects(texts.flatMap(({ layerId }) => boxes.get(layerId) ?? []));
}

/**
 * Whether a cue stands above: it is put there, or nobody has put it anywhere and below it would stand on the words of a
 * title that is on screen for any of its time. `below` is what it covers there, `others` what those titles' words cover.
 */
export function standsAbove(
  { place }: Pick<Cue, 'place'>,
  below: Rect | null,
  others: readonly Rect[],
): boolean {
  if (place !== 'auto') return place === 'top';
  if (below === null) return false;
  const room = growRect(below, APART_U);
  return others.some((other) => {
    const { width, height } = intersectRects(room, other);
    return width > 0 && height > 0;
  });
}
