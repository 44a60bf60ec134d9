import type { Matrix } from '../kit/matrix';
import type { Point, Rect } from '../kit/rect';
import { sameValue } from '../kit/sameValue';
import type { Homography } from './homography';
import type { Outline } from './outline';

/** A colour as `#rrggbb`; how opaque it is stands beside it. */
export type HexColour = string;

export interface GradientStop {
  readonly at: number;
  readonly colour: HexColour;
  readonly opacity: number;
}

/** What fills a shape. Gradient points are in the shape's own coordinates. */
export type Paint =
  | { readonly kind: 'solid'; readonly colour: HexColour }
  | {
      readonly kind: 'linear';
      readonly from: Point;
      readonly to: Point;
      readonly stops: readonly GradientStop[];
    }
  | {
      readonly kind: 'radial';
      readonly centre: Point;
      readonly radius: number;
      readonly stops: readonly GradientStop[];
    }
  | {
      readonly kind: 'conic';
      readonly centre: Point;
      /** Clockwise from the right. */
      readonly startRadians: number;
      readonly stops: readonly GradientStop[];
    };

/**
 * One step of drawing, in the order in which a painter takes it: the first lies furthest back. How large a step is
 * with all that it does follows from what is in it: see `itemBounds`.
 */
export type DisplayItem =
  | {
      readonly kind: 'fill';
      readonly outline: Outline;
      readonly paint: Paint;
      readonly matrix: Matrix;
      readonly opacity: number;
    }
  | {
      readonly kind: 'stroke';
      readonly outline: Outline;
      readonly paint: Paint;
      /** In the outline's own units, centred on the edge. */
      readonly width: number;
      readonly matrix: Matrix;
      readonly opacity: number;
    }
  | {
      /** Only what lies in the rectangle (whole pixels) is seen. */
      readonly kind: 'clip';
      readonly rectPx: Rect;
      readonly items: readonly DisplayItem[];
    }
  | {
      /** Painted on its own first, then laid down with one opacity. */
      readonly kind: 'group';
      readonly opacity: number;
      readonly items: readonly DisplayItem[];
    }
  | {
      /**
       * Painted on its own first, all of it, then laid down so many whole pixels further. What goes by is the same in
       * another place, to the last bit, and painted once.
       */
      readonly kind: 'moved';
      readonly byPx: Point;
      readonly items: readonly DisplayItem[];
    }
  | {
      /** Seen only on what lies below it in the same list, as much as that is opaque. */
      readonly kind: 'atop';
      readonly items: readonly DisplayItem[];
    }
  | {
      /** The shadow that the items cast, without the items themselves. */
      readonly kind: 'shadow';
      readonly offsetPx: Point;
      /** Standard deviation of the blur. */
      readonly blurPx: number;
      readonly colour: HexColour;
      readonly opacity: number;
      readonly items: readonly DisplayItem[];
    }
  | {
      /** The items where the mask's items are (`in`) or are not (`out`), by how opaque those are. */
      readonly kind: 'mask';
      readonly mode: 'in' | 'out';
      /** What of the mask counts: how opaque it is (when left out) or how bright. */
      readonly by?: 'alpha' | 'brightness';
      readonly items: readonly DisplayItem[];
      readonly mask: readonly DisplayItem[];
    }
  | {
      /** The items painted flat, then seen in perspective. */
      readonly kind: 'warp';
      /** From pixels of the flat painting to pixels of the picture, row by row. */
      readonly map: Homography;
      readonly opacity: number;
      readonly items: readonly DisplayItem[];
    }
  | {
      /** The mean of several paintings, as a shutter that is open for a while sees them. */
      readonly kind: 'average';
      readonly exposures: readonly (readonly DisplayItem[])[];
    }
  | {
      /** The items blurred by a standard deviation along each axis. */
      readonly kind: 'blur';
      readonly acrossPx: number;
      readonly downPx: number;
      readonly items: readonly DisplayItem[];
    }
  | {
      /** A part of a picture laid into a rectangle of the outline space. */
      readonly kind: 'image';
      readonly asset: string;
      readonly sourcePx: Rect;
      readonly rect: Rect;
      readonly matrix: Matrix;
      readonly opacity: number;
    };

/** Everything that makes up one frame. */
export interface DisplayList {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly items: readonly DisplayItem[];
}

/**
 * Whether two frames look the same for certain. Outlines and paints are compared by identity first,
 * so frames of one compiled title compare fast.
 */
export function sameDisplayList(a: DisplayList, b: DisplayList): boolean {
  return a.widthPx === b.widthPx && a.heightPx === b.heightPx && sameValue(a.items, b.items);
}
