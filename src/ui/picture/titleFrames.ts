import { createStore } from 'zustand';
import type { DisplayList } from '@/core/display/list';
import { sameDisplayList } from '@/core/display/list';
import { listBounds } from '@/core/display/bounds';
import type { Rect } from '@/core/kit/rect';
import { intersectRects } from '@/core/kit/rect';
import type { Painter } from '@/paint/painter';
import type { Surface, SurfaceContext, SurfaceMaker } from '@/paint/surface';

// What painted frames take at most: 256 MB of main memory.
const MOST_PIXELS = 64 * 1024 * 1024;

/** A painted frame: what its title covers; frames that look the same share a surface. */
interface PaintedFrame {
  readonly list: DisplayList;
  readonly area: Rect;
  /** Null where nothing is to be seen. */
  readonly surface: Surface | null;
}

/** The numbers of the frames that are painted. */
export type PaintedFrames = ReadonlySet<number>;

/**
 * The frames of one title as they were painted, so that what goes round is painted once. Frames beyond the room that
 * there is are painted each time.
 */
export class TitleFrames {
  private readonly frames = new Map<number, PaintedFrame>();
  /** Says which frames are there; as of the last `tell`. */
  readonly painted = createStore<PaintedFrames>(() => this.told());
  private pixels = 0;

  /** Frames come from `source`. */
  constructor(
    private readonly painter: Painter,
    private readonly maker: Pick<SurfaceMaker, 'surface'>,
    private readonly source: (frame: number) => DisplayList,
  ) {}

  /** Whether there is room for more frames. */
  get hasRoom(): boolean {
    return this.pixels < MOST_PIXELS;
  }

  has(frame: number): boolean {
    return this.frames.has(frame);
  }

  /** Paints a frame and keeps it, where there is room. */
  keep(frame: number): void {
    if (!this.frames.has(frame)) this.keepList(frame, this.source(frame));
  }

  /** Lays a frame over what the context shows: as it is kept, or painted now. */
  paint(context: SurfaceContext, frame: number): void {
    const known = this.frames.get(frame);
    const list = known?.list ?? this.source(frame);
    const kept = known ?? this.keepList(frame, list);
    if (kept === null) this.painter.paint(context, list);
    else if (kept.surface !== null) context.drawImage(kept.surface.image, kept.area.x, kept.area.y);
  }

  /** Lets go of all frames: their memory is not small, so it is not left to be found some day. */
  end(release: (surface: Surface) => void): void {
    for (const surface of new Set([...this.frames.values()].map((frame) => frame.surface)))
      if (surface !== null) release(surface);
    this.frames.clear();
    this.pixels = 0;
  }

  /** Says which frames there are now. */
  tell(): void {
    this.painted.setState(this.told(), true);
  }

  private told(): PaintedFrames {
    return new Set(this.frames.keys());
  }

  private keepList(frame: number, list: DisplayList): PaintedFrame | null {
    const near = this.frames.get(frame - 1) ?? this.frames.get(frame + 1);
    const same = near !== undefined && sameDisplayList(near.list, list) ? near : null;
    if (same === null && !this.hasRoom) return null;
    const kept = same ?? this.paintFrame(list);
    if (same === null) this.pixels += kept.area.width * kept.area.height;
    this.frames.set(frame, kept);
    return kept;
  }

  private paintFrame(list: DisplayList): PaintedFrame {
    const whole = { x: 0, y: 0, width: list.widthPx, height: list.heightPx };
    const bounds = listBounds(list.items);
    const area = bounds === null ? { ...whole, width: 0 } : intersectRects(bounds, whole);
    if (area.width <= 0 || area.height <= 0) return { list, area: { ...whole, width: 0 }, surface: null };
    const surface = this.maker.surface(area.width, area.height);
    this.painter.paintPart(surface.context, list.items, area);
    return { list, area, surface };
  }
}
