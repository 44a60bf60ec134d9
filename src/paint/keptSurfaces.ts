import type { DisplayItem, HexColour } from '@/core/display/list';
import { assertNever } from '@/core/kit/assertNever';
import type { Rect } from '@/core/kit/rect';
import { sameValue } from '@/core/kit/sameValue';
import type { Surface } from './surface';

/** An item that is painted on a surface of its own before it is laid down. */
export type OwnSurfaceItem = Exclude<DisplayItem, { kind: 'fill' | 'stroke' | 'image' | 'clip' | 'atop' }>;

// What is kept at most: six frames of 1080p.
const MOST_PIXELS = 6 * 1920 * 1080;
// So many items are remembered at most, kept or only seen once.
const MOST_ITEMS = 600;
// So many that were seen once in one place: what moves there is another one in each frame, and each is compared with.
const MOST_SEEN_ONCE = 16;

interface Seen {
  readonly key: string;
  readonly content: unknown;
  /** What it looks like; null while it was seen only once. */
  surface: Surface | null;
  pixels: number;
}

/**
 * What surfaces show is kept from frame to frame where an item comes again: it is remembered when it is seen first,
 * painted and kept when it is seen again, and not painted from then on. What was not seen for longest goes first.
 */
export class KeptSurfaces {
  private readonly byKey = new Map<string, Seen[]>();
  // From what was not asked for the longest on.
  private readonly all = new Set<Seen>();
  private readonly holding = new WeakSet<Surface>();
  private pixels = 0;

  /** `giveBack` takes surfaces that are not needed any more; `isWhole` says whether all is there that an item shows. */
  constructor(
    private readonly giveBack: (surface: Surface) => void,
    private readonly isWhole: (item: OwnSurfaceItem) => boolean,
  ) {}

  /** The surface of an item that shows `area` (whole px), in the colour of `tint` where that is given. */
  of(item: OwnSurfaceItem, area: Rect, tint: HexColour | undefined, paint: () => Surface): Surface {
    const key = `${item.kind} ${area.x} ${area.y} ${area.width} ${area.height} ${tint ?? ''}`;
    const content = contentOf(item);
    const seen = this.byKey.get(key)?.find((one) => sameValue(one.content, content));
    if (seen === undefined) {
      this.add({ key, content, surface: null, pixels: 0 });
      return paint();
    }
    this.all.delete(seen);
    this.all.add(seen);
    if (seen.surface !== null) return seen.surface;
    const surface = paint();
    const pixels = area.width * area.height;
    // One that fills the room would only push out the others.
    if (pixels <= MOST_PIXELS / 2 && this.all.has(seen) && this.isWhole(item))
      this.keep(seen, surface, pixels);
    return surface;
  }

  /** Whether a surface is kept, and so must not be painted on. */
  holds(surface: Surface): boolean {
    return this.holding.has(surface);
  }

  private add(seen: Seen): void {
    const others = this.byKey.get(seen.key);
    if (others === undefined) this.byKey.set(seen.key, [seen]);
    else others.push(seen);
    this.all.add(seen);
    const once = others?.filter(({ surface }) => surface === null) ?? [];
    if (once.length > MOST_SEEN_ONCE) this.drop(once[0]);
    this.makeRoom(seen);
  }

  private keep(seen: Seen, surface: Surface, pixels: number): void {
    seen.surface = surface;
    seen.pixels = pixels;
    this.holding.add(surface);
    this.pixels += pixels;
    this.makeRoom(seen);
  }

  private makeRoom(newest: Seen): void {
    for (const oldest of this.all) {
      if (this.pixels <= MOST_PIXELS && this.all.size <= MOST_ITEMS) return;
      if (oldest !== newest) this.drop(oldest);
    }
  }

  private drop(seen: Seen): void {
    this.all.delete(seen);
    this.pixels -= seen.pixels;
    const others = this.byKey.get(seen.key)?.filter((one) => one !== seen) ?? [];
    if (others.length === 0) this.byKey.delete(seen.key);
    else this.byKey.set(seen.key, others);
    if (seen.surface === null) return;
    this.holding.delete(seen.surface);
    this.giveBack(seen.surface);
  }
}

/** What an item's surface follows from, besides its area: not how it is laid down. */
function contentOf(item: OwnSurfaceItem): readonly unknown[] {
  switch (item.kind) {
    case 'group':
    case 'moved':
      return [item.items];
    case 'shadow':
      return [item.blurPx, item.colour, item.items];
    case 'mask':
      return [item.mode, item.by, item.items, item.mask];
    case 'blur':
      return [item.acrossPx, item.downPx, item.items];
    case 'warp':
      return [item.map, item.items];
    case 'average':
      return [item.exposures];
    default:
      return assertNever(item, 'display item');
  }
}
