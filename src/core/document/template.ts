import type { HexColour } from '../display/list';
import type { PointName } from '../layout/points';
import type { SafeAreaId } from '../layout/safeAreas';

/** The newest template document that this program reads and writes. */
export const TEMPLATE_VERSION = 1;

export interface TextStyle {
  /** Id of a face in the font catalogue. */
  readonly face: string;
  readonly weight: number;
  readonly sizeU: number;
  /** Thousandths of an em between letters. */
  readonly tracking: number;
  /** Line height as a multiple of the size. */
  readonly leading: number;
  readonly letterCase: 'typed' | 'capitals';
  readonly fill: HexColour;
}

/** A stretch of text with what differs from the layer's style. */
export interface TextRun {
  readonly text: string;
  readonly style?: Partial<TextStyle>;
}

export type PlaceTarget =
  { readonly kind: SafeAreaId } | { readonly kind: 'layer'; readonly layerId: string };

/** The layer's own point lies on the target's point, moved by an offset in design units. */
export interface Place {
  readonly point: PointName;
  readonly target: PlaceTarget;
  readonly targetPoint: PointName;
  readonly dxU: number;
  readonly dyU: number;
}

export interface DropShadow {
  /** Clockwise from the right: 90 falls straight down. */
  readonly angleDegrees: number;
  readonly distanceU: number;
  readonly softnessU: number;
  readonly colour: HexColour;
  readonly opacity: number;
}

/** A move as a layer uses it, timed within its column (in or out) of the template's design time. */
export interface MoveUse {
  readonly move: string;
  readonly unit: UnitKind;
  readonly order: string;
  /** 0: one unit after the other; 1: all together. */
  readonly overlap: number;
  readonly ease: string;
  readonly startSeconds: number;
  readonly lengthSeconds: number;
  readonly params: Readonly<Record<string, number | string | boolean>>;
}

export const UNIT_KINDS = ['layer', 'line', 'word', 'letter'] as const;
export type UnitKind = (typeof UNIT_KINDS)[number];

export interface Motion {
  readonly in: MoveUse | null;
  /** `mirror` plays the in backwards at the end of the out. */
  readonly out: MoveUse | 'mirror' | null;
}

interface LayerBase {
  readonly id: string;
  readonly name: string;
  readonly visible: boolean;
  readonly opacity: number;
  readonly place: Place;
  readonly shadow: DropShadow | null;
  readonly motion: Motion;
}

/** What to do, in order, when a text is wider than its limit. */
export type LongStep =
  | { readonly kind: 'wrap'; readonly maxLines: number }
  | { readonly kind: 'squeeze'; readonly minPercent: number }
  | { readonly kind: 'shrink'; readonly minSizeU: number };

export interface TextLayer extends LayerBase {
  readonly kind: 'text';
  readonly runs: readonly TextRun[];
  readonly style: TextStyle;
  readonly align: 'left' | 'centre' | 'right';
  /** The widest the text may be, as a share of the title-safe width. */
  readonly maxWidthShare: number;
  readonly whenLong: readonly LongStep[];
}

export type Extent =
  | { readonly kind: 'fixed'; readonly u: number }
  | { readonly kind: 'encloses' }
  | { readonly kind: 'matches'; readonly layerId: string };

interface Padding {
  readonly leftU: number;
  readonly topU: number;
  readonly rightU: number;
  readonly bottomU: number;
}

export interface BoxLayer extends LayerBase {
  readonly kind: 'box';
  readonly fill: HexColour;
  readonly fillOpacity: number;
  readonly radiusU: number;
  readonly outline: { readonly widthU: number; readonly colour: HexColour } | null;
  readonly width: Extent;
  readonly height: Extent;
  readonly encloses: readonly string[];
  readonly padding: Padding;
}

export type Layer = TextLayer | BoxLayer;

export type FieldKind = 'text' | 'colour' | 'number' | 'choice';

interface FieldTarget {
  readonly layerId: string;
  /** A property of that layer's kind, such as `text` or `style.fill`. */
  readonly path: string;
}

export interface FieldLimits {
  readonly maxLength?: number;
  readonly min?: number;
  readonly max?: number;
  readonly choices?: readonly { readonly value: string; readonly label: string }[];
}

/** What an editor may change, named in the editor's words. The default is what the design says. */
export interface Field {
  readonly id: string;
  readonly label: string;
  readonly kind: FieldKind;
  readonly help: string;
  readonly required: boolean;
  readonly targets: readonly FieldTarget[];
  readonly limits: FieldLimits;
}

export interface Timing {
  readonly inSeconds: number;
  readonly holdSeconds: number;
  readonly outSeconds: number;
}

export interface Template {
  readonly version: typeof TEMPLATE_VERSION;
  readonly name: string;
  readonly kind: string;
  readonly production: string;
  readonly description: string;
  /** Ids of frame formats, the one it was designed in first. */
  readonly formats: readonly string[];
  readonly rate: string;
  /** The stand-in picture it is shown over on the bench. */
  readonly backdrop: string;
  readonly timing: Timing;
  /** The first is nearest the viewer. */
  readonly layers: readonly Layer[];
  /** In the order in which the card shows them. */
  readonly fields: readonly Field[];
}

export type FieldValue = string | number;

/** What an editor typed, by field id; a field that is missing takes the design's value. */
export type FieldValues = Readonly<Record<string, FieldValue>>;

/** The text of a layer as one string. */
export function plainText(layer: TextLayer): string {
  return layer.runs.map((run) => run.text).join('');
}
