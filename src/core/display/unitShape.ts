import type { Rect } from '../kit/rect';
import type { HexColour, Paint } from './list';
import type { Outline } from './outline';

/** Which of a layer's own paints fills a shape, and the rectangle that a gradient goes across. */
export interface OwnPaint {
  readonly name: string;
  readonly rect: Rect;
}

/** A paint with how opaque it is. */
export interface LayerPaint {
  readonly paint: Paint;
  readonly opacity: number;
}

/** A shape of a unit, in design units of the picture. */
export type UnitShape =
  | {
      readonly kind: 'path';
      readonly outline: Outline;
      readonly paint: Paint;
      readonly opacity: number;
      /** Drawn as a line of this width instead of filled. */
      readonly lineU?: number;
      /** It lies behind words of the same unit rather than being one. */
      readonly ground?: boolean;
      /** The layer's own paint that it is in, so that it can be painted otherwise without being laid out again. */
      readonly own?: OwnPaint;
    }
  | {
      readonly kind: 'image';
      readonly asset: string;
      readonly sourcePx: Rect;
      readonly rect: Rect;
      readonly opacity: number;
      /** Turned about its middle, clockwise. */
      readonly turnRadians?: number;
    };

/** A plain colour as a paint. */
export function solid(colour: HexColour): Paint {
  return { kind: 'solid', colour };
}

/** A filled outline as a shape. */
export function pathShape(outline: Outline, paint: Paint, opacity = 1): Extract<UnitShape, { kind: 'path' }> {
  return { kind: 'path', outline, paint, opacity };
}

/** A filled outline in one of its layer's own paints. */
export function ownShape(
  outline: Outline,
  own: OwnPaint,
  { paint, opacity }: LayerPaint,
): Extract<UnitShape, { kind: 'path' }> {
  return { kind: 'path', outline, paint, opacity, own };
}
