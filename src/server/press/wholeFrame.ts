import { hasGround } from '@/core/display/part';
import type { FrameFormat } from '@/core/frame/formats';
import type { Rect } from '@/core/kit/rect';
import { mergedRects } from '@/core/kit/mergedRects';
import type { Plane } from '@/core/outputs/output';
import type { SurfaceMaker } from '@/paint/surface';
import { ColourBleed } from './bleed';
import { FrameRing } from './frameRing';
import type { Lists, PaintsAreas } from './paintedPicture';
import { damageOf, paintsAreas } from './paintedPicture';
import type { Pixels } from './pictures/picture';
import { limitColours, needsBleed, toPlane } from './planes';
import type { RenderTask } from './renderTask';

/** What of a task says what its pixels are. */
type Shown = Pick<RenderTask, 'frames' | 'shades' | 'limited' | 'studio'>;

/** The pixels of a whole frame as a file has them, in which one picture is shown after another: only what changes is painted. */
export class WholeFrame {
  readonly pixels: Pixels;
  private readonly all: Rect;
  private readonly paint: PaintsAreas;
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
    this.all = { x: 0, y: 0, width: widthPx, height: heightPx };
    this.fill(this.all, [0, 0, 0]);
  }

  /** Shows a picture in the place of the last one, and gives the areas that changed. */
  show(lists: Lists): readonly Rect[] {
    const damage = damageOf(this.before, lists, this.format);
    this.before = lists;
    // Where all of the frame is seen there is nothing to carry colour to, until the ground goes, and all with it.
    const bleed = lists.every(({ items }) => hasGround(items, this.all)) ? null : this.bleed;
    const areas = bleed === null ? damage : mergedRects(damage.map((rect) => bleed.tilesOf(rect)));
    const changed: Rect[] = [];
    for (const [i, pixels] of this.paint(lists, areas).entries()) {
      const area = areas[i];
      limitColours(pixels, this.task);
      bleed?.fillTiles(pixels, area);
      toPlane(pixels, this.plane, this.task);
      this.put(pixels, area);
      changed.push(area);
    }
    for (const area of areas)
      for (const { tile, colour } of bleed?.emptyTilesNear(area) ?? []) {
        this.fill(tile, colour);
        changed.push(tile);
      }
    return mergedRects(changed);
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
  private readonly stale: (readonly Rect[])[];

  constructor(
    memory: RenderTask['ring'],
    private readonly frame: WholeFrame,
    private readonly format: FrameFormat,
  ) {
    const { widthPx, heightPx } = format;
    this.ring = new FrameRing(memory);
    this.stale = Array.from({ length: memory.slots }, () => [
      { x: 0, y: 0, width: widthPx, height: heightPx },
    ]);
  }

  /** Notes that areas of the frame changed. */
  changed(areas: readonly Rect[]): void {
    if (areas.length === 0) return;
    this.stale.forEach((rects, slot) => (this.stale[slot] = mergedRects([...rects, ...areas])));
  }

  /** Writes the frame into a slot, and gives how many bytes it has. */
  write(slot: number): number {
    const { pixels } = this.frame;
    const areas = this.stale[slot];
    this.stale[slot] = [];
    const bytesPerPixel = 4 * pixels.BYTES_PER_ELEMENT;
    const from = new Uint8Array(pixels.buffer, pixels.byteOffset, pixels.byteLength);
    const to = this.ring.bytes(slot);
    for (const area of areas)
      for (let y = area.y; y < area.y + area.height; y++) {
        const at = (y * this.format.widthPx + area.x) * bytesPerPixel;
        to.set(from.subarray(at, at + area.width * bytesPerPixel), at);
      }
    return pixels.byteLength;
  }
}
