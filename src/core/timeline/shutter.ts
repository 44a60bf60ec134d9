import type { DisplayItem } from '../display/list';
import { scaleOf } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { growRect, intersectRects, outwardRect, unionRects } from '../kit/rect';
import { unitsToPixels } from '../layout/formats';
import type { FrameFormat } from '../layout/formats';
import type { CompiledLayer } from './compile';
import { farthest } from './dressItems';
import type { TitleTiming } from './stretch';

/** A layer at one moment. */
export interface Moment {
  readonly items: DisplayItem[];
  /** What each of its units covers, in px. */
  readonly covered: readonly Rect[];
  readonly bounds: Rect | null;
}

// Exposures so far apart are not told from a smear; more of them would cost and not be seen.
const PX_PER_EXPOSURE = 2.5;
const MOST_EXPOSURES = 24;
const FULL_TURN = 360;

/**
 * A layer as a shutter sees it that is open for a while from a moment on: the mean of as many exposures as its
 * movement needs. One that stands still is painted once.
 */
export function openShutter(
  moment: (seconds: number) => Moment,
  { layer }: CompiledLayer,
  seconds: number,
  { timing, format }: { readonly timing: TitleTiming; readonly format: FrameFormat },
): DisplayItem[] {
  const { shutterDegrees } = layer.motion;
  const first = moment(seconds);
  if (shutterDegrees <= 0) return first.items;
  const open = ((timing.totalSeconds / timing.totalFrames) * shutterDegrees) / FULL_TURN;
  const last = moment(Math.min(timing.totalSeconds, seconds + open));
  const count = Math.min(MOST_EXPOSURES, Math.ceil(travelPx(first.covered, last.covered) / PX_PER_EXPOSURE));
  if (count < 2) return first.items;
  const moments = Array.from({ length: count }, (_, i) =>
    i === 0 ? first : moment(seconds + (open * i) / count),
  );
  const around = unionRects(moments.flatMap(({ bounds }) => bounds ?? []));
  if (around === null) return [];
  const reach = farthest(layer) * scaleOf(unitsToPixels(format)) + 2;
  const picture = { x: 0, y: 0, width: format.widthPx, height: format.heightPx };
  const boundsPx = intersectRects(outwardRect(growRect(around, reach)), picture);
  if (boundsPx.width <= 0 || boundsPx.height <= 0) return [];
  return [{ kind: 'average', boundsPx, exposures: moments.map(({ items }) => items) }];
}

/** How far the corners of any unit go from one moment to the other; as many units are compared as both have. */
function travelPx(from: readonly Rect[], to: readonly Rect[]): number {
  let most = 0;
  for (let i = 0; i < Math.min(from.length, to.length); i++) {
    const [a, b] = [from[i], to[i]];
    most = Math.max(
      most,
      Math.hypot(a.x - b.x, a.y - b.y),
      Math.hypot(a.x + a.width - b.x - b.width, a.y + a.height - b.y - b.height),
    );
  }
  return most;
}
