import type { Surface, SurfaceMaker } from './surface';

// Sides are rounded up to steps of this many pixels, so that surfaces of nearly one size serve for one another.
const STEP_PX = 64;
// So many pixels at most wait for their next use: four frames of 1080p.
const MOST_PIXELS = 4 * 1920 * 1080;

interface PooledSurface {
  readonly surface: Surface;
  readonly width: number;
  readonly height: number;
}

/** Surfaces that are used again: one is at least as large as was asked for, and clear where that lies. */
export class SurfacePool {
  private readonly free = new Map<string, PooledSurface[]>();
  private readonly sizes = new WeakMap<Surface, PooledSurface>();
  private waiting = 0;

  constructor(private readonly maker: Pick<SurfaceMaker, 'surface'>) {}

  /** A surface whose top left `width` × `height` whole pixels are clear. */
  take(width: number, height: number): Surface {
    const size = { width: roundUp(width), height: roundUp(height) };
    const kept = this.free.get(keyOf(size))?.pop();
    if (kept === undefined) {
      const surface = this.maker.surface(size.width, size.height);
      this.sizes.set(surface, { surface, ...size });
      return surface;
    }
    this.waiting -= size.width * size.height;
    const { context } = kept.surface;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalAlpha = 1;
    context.globalCompositeOperation = 'source-over';
    context.clearRect(0, 0, size.width, size.height);
    return kept.surface;
  }

  /** Gives a surface back; what it shows is not needed any more. */
  giveBack(surface: Surface): void {
    const kept = this.sizes.get(surface);
    if (kept === undefined) return;
    const pixels = kept.width * kept.height;
    if (this.waiting + pixels > MOST_PIXELS) return;
    this.waiting += pixels;
    const key = keyOf(kept);
    const list = this.free.get(key);
    if (list === undefined) this.free.set(key, [kept]);
    else list.push(kept);
  }
}

const roundUp = (side: number): number => Math.max(STEP_PX, Math.ceil(side / STEP_PX) * STEP_PX);

const keyOf = ({ width, height }: { readonly width: number; readonly height: number }): string =>
  `${width}x${height}`;
