import type { DisplayItem, HexColour } from '@/core/display/list';
import { showsAsset } from '@/core/display/inner';
import type { Rect } from '@/core/kit/rect';
import type { FineLayer } from './fineLayer';

type Items = readonly DisplayItem[];

interface Kept {
  readonly area: Rect;
  readonly tint: HexColour | undefined;
  readonly layer: FineLayer;
}

/** What of the last picture was painted to go by, for as long as it is in the next one too: the same items, not equal ones. */
export class GoneBy {
  private before = new Map<Items, Kept>();
  private now = new Map<Items, Kept>();

  /** What is asked for from now on is of the next picture; what was not asked for in the last one is let go. */
  nextPicture(): void {
    this.before = this.now;
    this.now = new Map();
  }

  /** What some items show in an area, which follows from them, in the colour of `tint` where that is given. */
  of(items: Items, area: Rect, tint: HexColour | undefined, paint: () => FineLayer): FineLayer {
    const known = this.now.get(items) ?? this.before.get(items);
    const kept = known !== undefined && sameArea(known.area, area) && known.tint === tint ? known : null;
    const layer = kept?.layer ?? paint();
    // A picture that is not here yet may come with the next one.
    if (!showsAsset(items, () => true)) this.now.set(items, kept ?? { area, tint, layer });
    return layer;
  }
}

const sameArea = (a: Rect, b: Rect): boolean =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;
