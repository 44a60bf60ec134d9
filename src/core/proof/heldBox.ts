import { isUpright } from '../credits/rollWays';
import type { Rect } from '../kit/rect';
import type { Layer } from '../model/template';

/** What of a layer has to be in the area: of credits that go by, only what lies across their way. */
export function heldBox(layer: Layer | undefined, box: Rect, area: Rect): Rect {
  if (layer?.kind !== 'credits' || layer.show !== 'roll') return box;
  return isUpright(layer.roll)
    ? { ...box, y: area.y, height: area.height }
    : { ...box, x: area.x, width: area.width };
}
