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
  /** The blur (standard deviation) that its least blurred unit has. */
  blurPx(): number;
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
  // What is blurred anyway hides larger steps.
  const stepPx = Math.max(PX_PER_EXPOSURE, Math.min(first.blurPx(), last.blurPx()));
  const count = Math.min(MOST_EXPOSURES, Math.ceil(travelPx(first.covered, last.covered) / stepPx));
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
  return blurredOnce(
    moments.map(({ items }) => items),
    boundsPx,
  );
}

/** The mean of exposures; where each is one blur, they are blurred together, which costs one blur instead of many. */
function blurredOnce(exposures: readonly DisplayItem[][], boundsPx: Rect): DisplayItem[] {
  const blurs = exposures.flatMap((items) =>
    items.length === 1 && items[0].kind === 'blur' ? [items[0]] : [],
  );
  if (blurs.length < exposures.length) return [{ kind: 'average', boundsPx, exposures }];
  const mean = (of: 'acrossPx' | 'downPx'): number =>
    blurs.reduce((sum, blur) => sum + blur[of], 0) / blurs.length;
  const items: DisplayItem[] = [{ kind: 'average', boundsPx, exposures: blurs.map((blur) => blur.items) }];
  return [{ kind: 'blur', boundsPx, acrossPx: mean('acrossPx'), downPx: mean('downPx'), items }];
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
