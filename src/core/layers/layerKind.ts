import type { FieldKind, FieldValue, Layer, UnitKind } from '../document/template';
import type { HexColour, Paint } from '../display/list';
import type { Outline } from '../display/outline';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import type { PlacedBox } from '../layout/points';
import type { FontLibrary } from '../text/fontLibrary';

/** How a form shows a property. */
export type Control =
  | { readonly kind: 'text'; readonly lines: 'one' | 'many' }
  | { readonly kind: 'colour' }
  | {
      readonly kind: 'number';
      readonly unit: 'u' | '%' | '×' | '‰';
      readonly min: number;
      readonly max: number;
      readonly step: number;
    }
  | {
      readonly kind: 'choice';
      readonly choices: readonly { readonly value: string; readonly label: string }[];
    };

/** A property of one layer: what it is called, what it is now, and the layer with it changed. */
export interface Property {
  readonly path: string;
  readonly label: string;
  readonly fieldKind: FieldKind;
  readonly control: Control;
  readonly value: FieldValue;
  with(value: FieldValue): Layer;
}

/** What measuring a layer needs. */
export interface MeasureContext {
  readonly fonts: FontLibrary;
  readonly titleSafe: Rect;
  /** The box of a layer that was measured before; null when that layer is absent. */
  boxOf(layerId: string): PlacedBox | null;
}

/** A size that a layer asks for; x or y is given where the layer's content decides its place. */
export interface Measured {
  readonly width: number;
  readonly height: number;
  readonly x?: number;
  readonly y?: number;
  readonly firstBaseline: number;
  readonly lastBaseline: number;
  /** What had to be done to make it fit, in words. */
  readonly fitted: readonly string[];
  readonly overflows: boolean;
  readonly missing: readonly string[];
  units(kind: UnitKind, box: PlacedBox, toPixels: Matrix): LayerUnit[];
}

/** A shape of a unit, in design units of the picture. */
export interface UnitShape {
  readonly outline: Outline;
  readonly paint: Paint;
  readonly opacity: number;
  /** Line width for a stroke, null for a fill. */
  readonly strokeU: number | null;
}

/** A part of a layer that moves as one. */
export interface LayerUnit {
  readonly box: Rect;
  readonly ink: Rect;
  readonly shapes: readonly UnitShape[];
}

/** A layer together with what its kind knows about it. */
export interface BoundLayer {
  readonly kindLabel: string;
  readonly unitKinds: readonly UnitKind[];
  readonly properties: readonly Property[];
  /** Layers whose boxes must be known before this one is measured. */
  readonly dependsOn: readonly string[];
  /** null when the layer is absent: an empty text, or a box with nothing to enclose. */
  measure(context: MeasureContext): Measured | null;
}

/** A plain colour as a paint. */
export function solid(colour: HexColour): Paint {
  return { kind: 'solid', colour };
}
