import type { DisplayItem } from '../display/list';
import type { Rect } from '../kit/rect';
import type { CompiledLayer } from './compileLayer';
import type { TitleTiming } from '../titleTime/stretch';

/** A layer as one exposure shows it. */
export interface Exposed {
  readonly items: DisplayItem[];
  /** What each of its units covers, in px, in the order of the units; null for one that is not seen. */
  covered(): readonly (Rect | null)[];
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
  exposed: (seconds: number) => Exposed,
  { layer }: CompiledLayer,
  seconds: number,
  timing: TitleTiming,
): DisplayItem[] {
  const { shutterDegrees } = layer.motion;
  const first = exposed(seconds);
  if (shutterDegrees <= 0) return first.items;
  const open = ((timing.totalSeconds / timing.totalFrames) * shutterDegrees) / FULL_TURN;
  const last = exposed(Math.min(timing.totalSeconds, seconds + open));
  // What is blurred anyway hides larger steps.
  const stepPx = Math.max(PX_PER_EXPOSURE, Math.min(first.blurPx(), last.blurPx()));
  const count = Math.min(MOST_EXPOSURES, Math.ceil(travelPx(first.covered(), last.covered()) / stepPx));
  if (count < 2) return first.items;
  return blurredOnce(
    Array.from({ length: count }, (_, i) =>
      i === 0 ? first.items : exposed(seconds + (open * i) / count).items,
    ),
  );
}

/** The mean of exposures; where each is one blur, they are blurred together, which costs one blur instead of many. */
function blurredOnce(exposures: readonly DisplayItem[][]): DisplayItem[] {
  const blurs = exposures.flatMap((items) =>
    items.length === 1 && items[0].kind === 'blur' ? [items[0]] : [],
  );
  if (blurs.length < exposures.length) return [{ kind: 'average', exposures }];
  const mean = (of: 'acrossPx' | 'downPx'): number =>
    blurs.reduce((sum, blur) => sum + blur[of], 0) / blurs.length;
  const items: DisplayItem[] = [{ kind: 'average', exposures: blurs.map((blur) => blur.items) }];
  return [{ kind: 'blur', acrossPx: mean('acrossPx'), downPx: mean('downPx'), items }];
}

/** How far the corners of any unit go from one moment to the other; one that is seen at one of them only does not count. */
function travelPx(from: readonly (Rect | null)[], to: readonly (Rect | null)[]): number {
  let most = 0;
  for (let i = 0; i < Math.min(from.length, to.length); i++) {
    const [a, b] = [from[i], to[i]];
    if (a === null || b === null) continue;
    most = Math.max(
      most,
      Math.hypot(a.x - b.x, a.y - b.y),
      Math.hypot(a.x + a.width - b.x - b.width, a.y + a.height - b.y - b.height),
    );
  }
  return most;
}
