import { affineOf, projectOutline } from '../display/homography';
import type { DisplayItem, Paint } from '../display/list';
import { rectOutline } from '../display/shapes';
import { solid } from '../display/unitShape';
import { multiply } from '../kit/matrix';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { growRect, unionRects } from '../kit/rect';
import type { MoveBlock } from '../moves/move';
import { clippedTo } from './clippedTo';
import type { MappedUnit } from './mapUnit';

/**
 * The items of a unit with the blocks that its acts take over it. A block lies where its act's own unit would be without
 * the act, is as high as that, and hides the unit or uncovers it as `MoveBlock` says.
 */
export function withBlocks(
  { acts, before, unit: painted }: MappedUnit,
  items: DisplayItem[],
  toPixels: Matrix,
): DisplayItem[] {
  return acts.reduceRight((inner, { unit, pose, plan }, i) => {
    const { block } = plan;
    if (block === undefined || pose.block >= 1) return inner;
    if (pose.block <= 0) return [];
    const flat = affineOf(before[i]);
    const matrix = flat === null ? toPixels : multiply(toPixels, flat);
    const outline = (rect: Rect) =>
      flat === null ? projectOutline(before[i], rectOutline(rect)) : rectOutline(rect);
    const fill = (rect: Rect, paint: Paint): DisplayItem[] =>
      rect.width > 0 ? [{ kind: 'fill', outline: outline(rect), paint, matrix, opacity: 1 }] : [];
    const area = unionRects([unit.box, unit.ink, painted.ink]) ?? unit.box;
    const { seen, rect, paint } = blockAt(block, pose.block, area);
    const shown = seen === 'none' ? [] : seen === 'all' ? inner : [clippedTo(seen, inner, matrix)];
    return [...shown, ...fill(rect, paint)];
  }, items);
}

interface BlockAt {
  /** How much of the unit is seen. */
  readonly seen: 'none' | 'all' | Rect;
  readonly rect: Rect;
  readonly paint: Paint;
}

// However far edges and shadows reach beyond a unit.
const BEYOND_U = 400;

function blockAt({ kind, colour, widthU, fromRight = false }: MoveBlock, share: number, area: Rect): BlockAt {
  /** A part of the area, by shares of its width from where the block starts. */
  const part = (from: number, to: number): Rect => {
    const [left, right] = fromRight ? [1 - to, 1 - from] : [from, to];
    return { ...area, x: area.x + left * area.width, width: (right - left) * area.width };
  };
  const paint = solid(colour);
  switch (kind) {
    case 'sweep':
      return share < 0.5
        ? { seen: 'none', rect: part(0, share * 2), paint }
        : { seen: 'all', rect: part(share * 2 - 1, 1), paint };
    case 'caret': {
      const stands = share < 0.5 === !fromRight ? area.x : area.x + area.width;
      const rect = { ...area, x: stands - widthU / 2, width: widthU };
      return { seen: share < 0.5 ? 'none' : 'all', rect, paint };
    }
    case 'strip': {
      const { x, width } = part(0, share);
      const edge = fromRight ? x : x + width;
      const gone = growRect(area, BEYOND_U);
      const seen = fromRight
        ? { ...gone, x: edge, width: gone.x + gone.width - edge }
        : { ...gone, width: edge - gone.x };
      const strip = { ...area, x: edge - widthU / 2, width: widthU };
      return { seen, rect: strip, paint: softStrip(strip, colour) };
    }
  }
}

/** A strip that is brightest along its middle and fades to both sides. */
function softStrip({ x, y, width }: Rect, colour: string): Paint {
  const stop = (at: number, opacity: number) => ({ at, colour, opacity });
  return {
    kind: 'linear',
    from: { x, y },
    to: { x: x + width, y },
    stops: [stop(0, 0), stop(0.35, 0.35), stop(0.5, 1), stop(0.65, 0.35), stop(1, 0)],
  };
}
