import { hasGround } from '@/core/display/part';
import type { FrameFormat } from '@/core/frame/formats';
import type { Rect } from '@/core/kit/rect';
import { unionRects } from '@/core/kit/rect';
import type { Plane } from '@/core/outputs/output';
import type { SurfaceMaker } from '@/paint/surface';
import { ColourBleed } from './bleed';
import { FrameRing } from './frameRing';
import type { Lists, PaintsArea } from './paintedPicture';
import { damageOf, paintsAreas } from './paintedPicture';
import type { Pixels } from './pictures/picture';
import { limitColours, needsBleed, toPlane } from './planes';
import type { RenderTask } from './renderTask';

/** What of a task says what its pixels are. */
type Shown = Pick<RenderTask, 'frames' | 'shades' | 'limited' | 'studio'>;

/** The pixels of a whole frame as a file has them, in which one picture is shown after another: only what changes is painted. */
export class WholeFrame {
  readonly pixels: Pixels;
  private readonly paint: PaintsArea;
  private readonly bleed: ColourBleed | null;
  private before: Lists | null = null;

  constructor(
    surfaces: SurfaceMaker,
    private readonly task: Shown,
    private readonly format: FrameFormat,
    private readonly plane: Plane,
  ) {
    const { widthPx, heightPx } = format;
    this.paint = paintsAreas(surfaces, format, task.shades);
    this.bleed = needsBleed(plane, task.frames === 'rgba') ? new ColourBleed(widthPx, heightPx) : null;
    this.pixels = emptyPixels(task, widthPx * heightPx * 4);
    this.fill({ x: 0, y: 0, width: widthPx, height: heightPx }, [0, 0, 0]);
  }

  /** Shows a picture in the place of the last one, and gives the area that changed; null for none. */
  show(lists: Lists): Rect | null {
    const damage = damageOf(this.before, lists, this.format);
    this.before = lists;
    if (damage === null) return null;
    const area = this.bleed?.tilesOf(damage) ?? damage;
    const pixels = this.paint(lists, area);
    limitColours(pixels, this.task);
    this.bleed?.fillTiles(
      pixels,
      area,
      lists.every(({ items }) => hasGround(items, area)),
    );
    toPlane(pixels, this.plane, this.task);
    this.put(pixels, area);
    const round = [...(this.bleed?.emptyTilesNear(area) ?? [])];
    for (const { tile, colour } of round) this.fill(tile, colour);
    return unionRects([area, ...round.map(({ tile }) => tile)]);
  }

  private put(pixels: Pixels, area: Rect): void {
    const length = area.width * 4;
    for (let y = 0; y < area.height; y++)
      this.pixels.set(pixels.subarray(y * length, (y + 1) * length), this.at(area, y));
  }

  /** Gives an area in which nothing is seen a colour (8 bits). */
  private fill(area: Rect, colour: readonly number[]): void {
    const row = emptyPixels(this.task, area.width * 4);
    const scale = this.task.shades === 'deep' ? 257 : 1;
    for (let at = 0; at < row.length; at += 4) for (let i = 0; i < 3; i++) row[at + i] = colour[i] * scale;
    toPlane(row, this.plane, this.task);
    for (let y = 0; y < area.height; y++) this.pixels.set(row, this.at(area, y));
  }

  private at({ x, y }: Rect, row: number): number {
    return ((y + row) * this.format.widthPx + x) * 4;
  }
}

function emptyPixels({ shades }: Pick<Shown, 'shades'>, length: number): Pixels {
  return shades === 'deep' ? new Uint16Array(length) : new Uint8ClampedArray(length);
}

/** Keeps the slots of a ring up to date with a frame: what changed since a slot was last written is copied into it. */
export class FrameSlots {
  private readonly ring: FrameRing;
  private readonly stale: (Rect | null)[];

  constructor(
    memory: RenderTask['ring'],
    private readonly frame: WholeFrame,
    private readonly format: FrameFormat,
  ) {
    const { widthPx, heightPx } = format;
    this.ring = new FrameRing(memory);
    this.stale = Array.from({ length: memory.slots }, () => ({
      x: 0,
      y: 0,
      width: widthPx,
      height: heightPx,
    }));
  }

  /** Notes that an area of the frame changed. */
  changed(area: Rect | null): void {
    if (area === null) return;
    this.stale.forEach((rect, slot) => (this.stale[slot] = rect === null ? area : unionRects([rect, area])));
  }

  /** Writes the frame into a slot, and gives how many bytes it has. */
  write(slot: number): number {
    const { pixels } = this.frame;
    const area = this.stale[slot];
    this.stale[slot] = null;
    if (area === null) return pixels.byteLength;
    const bytesPerPixel = 4 * pixels.BYTES_PER_ELEMENT;
    const from = new Uint8Array(pixels.buffer, pixels.byteOffset, pixels.byteLength);
    const to = this.ring.bytes(slot);
    for (let y = area.y; y < area.y + area.height; y++) {
      const at = (y * this.format.widthPx + area.x) * bytesPerPixel;
      to.set(from.subarray(at, at + area.width * bytesPerPixel), at);
    }
    return pixels.byteLength;
  }
}
