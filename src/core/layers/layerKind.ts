import type { CreditRow } from '../model/credits';
import type { FieldKind, FieldValue, Layer, UnitKind } from '../model/template';
import type { LayerPaint, OwnPaint, UnitShape } from '../display/unitShape';
import type { Matrix } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import type { PlacedBox } from '../frame/points';
import type { SafeAreaId } from '../frame/safeAreas';
import type { FitFact } from '../text/fitFacts';
import type { FontLibrary } from '../text/fontLibrary';

/** The unit that a number is shown with. */
type NumberUnit = 'u' | '%' | '×' | '‰' | '°' | 's' | '';

/** How a form shows a property. */
export type Control =
  | { readonly kind: 'text'; readonly lines: 'one' | 'many' }
  | { readonly kind: 'rows'; readonly columns: number }
  | { readonly kind: 'colour' }
  | { readonly kind: 'switch' }
  | { readonly kind: 'picture' }
  /** Several figures that belong together, as words parted by spaces; none at all where it may be off. */
  | { readonly kind: 'figures'; readonly figures: readonly FigureControl[] }
  /** A state of the layer that other parts of the settings show and change. */
  | { readonly kind: 'state' }
  | {
      readonly kind: 'number';
      readonly unit: NumberUnit;
      readonly min: number;
      readonly max: number;
      readonly step: number;
      /** Whether all of its range is of use, so that it is found by sliding. */
      readonly slides?: true;
    }
  | {
      readonly kind: 'choice';
      readonly choices: readonly { readonly value: string; readonly label: string }[];
    };

/** One of several figures that belong together. */
export interface FigureControl {
  readonly label: string;
  readonly unit: NumberUnit;
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

/** The part of the settings that a property is shown in; `long` and `apart` have controls of their own, and no field drives them. */
export type PropertyPart = 'type' | 'long' | 'apart' | 'size' | 'place' | 'look' | 'motion';

/**
 * `layout`: the layer is measured again, and what depends on its size. `place`: it lies elsewhere, as it is; what
 * hangs on it follows. `paint`: nothing else changes.
 */
export type PropertyStage = 'layout' | 'place' | 'paint';

/** A property of one layer: what it is called, what it is now, and the layer with it changed. */
export interface Property {
  readonly path: string;
  readonly label: string;
  readonly part: PropertyPart;
  /** What a change of it asks for: laying out again, placing again, or only painting. */
  readonly stage: PropertyStage;
  readonly fieldKind: FieldKind;
  readonly control: Control;
  readonly value: FieldValue;
  /** Never opened to editors: a title says it in another way. */
  readonly closed?: boolean;
  /** A value between two of its keys at a share (0 to 1), where that is not what figures and colours usually have. */
  mix?(from: FieldValue, to: FieldValue, share: number): FieldValue;
  /** Whether between two of its keys the title lies between two layouts, since its values have nothing between them. */
  readonly blends?: boolean;
  with(value: FieldValue): Layer;
}

export interface PictureSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** The sizes of pictures by asset id; undefined for one that is not here. */
export interface PictureSizes {
  size(asset: string): PictureSize | undefined;
}

/** What measuring a layer needs. */
export interface MeasureContext {
  readonly fonts: FontLibrary;
  readonly pictures: PictureSizes;
  readonly frame: Rect;
  area(id: SafeAreaId): Rect;
  /** The language (BCP 47) of a layer's words. */
  languageOf(layerId: string): string;
  /** The box of a layer that was placed before; null when that layer is absent. */
  boxOf(layerId: string): PlacedBox | null;
  /** What such a layer covers, turned and scaled as it is. */
  boundsOf(layerId: string): Rect | null;
  /** The size of a layer that was measured before; null when that layer is absent. */
  measuredOf(layerId: string): Measured | null;
}

/** A size that a layer asks for; x or y is given where the layer's content decides its place. */
export interface Measured {
  readonly width: number;
  readonly height: number;
  readonly x?: number;
  readonly y?: number;
  readonly firstBaseline: number;
  readonly lastBaseline: number;
  /** What had to be done to make it fit. */
  readonly fitted: readonly FitFact[];
  readonly overflows: boolean;
  readonly missing: readonly string[];
  /** Faces that stand in for characters that the chosen one does not have, by label. */
  readonly standIns: readonly string[];
  /** The language that its words should be parted in and that has no rules for it here; left out for none. */
  readonly unparted?: string;
  /** For a layer of words, the height of its smallest capitals as they were set. */
  readonly capU?: number;
  /** Where the members of a stack lie in it, from its top left corner. */
  readonly slots?: ReadonlyMap<string, { readonly x: number; readonly y: number }>;
  /**
   * Its units where it lies. `snap` moves its edges and baselines (u each, in the order of `snap` below) from where
   * they fall; left out, they lie on whole pixels as at rest.
   */
  units(kind: UnitKind, box: PlacedBox, toPixels: Matrix, snap?: readonly number[]): LayerUnit[];
  /** How far its edges or baselines are from whole pixels where it lies; left out for a layer that has none to keep. */
  snap?(box: PlacedBox, toPixels: Matrix): readonly number[];
  /** Along which axes it keeps to whole pixels at rest. */
  readonly snaps?: { readonly x: boolean; readonly y: boolean };
  /** What only credits have. */
  readonly credits?: MeasuredCredits;
  /** The shapes at a time, for a layer whose content moves by itself; `frameSeconds` is how long the title shows one frame. */
  animate?(seconds: number, box: PlacedBox, toPixels: Matrix, frameSeconds: number): UnitShape[];
}

/** A part of a layer that moves as one. */
export interface LayerUnit {
  readonly box: Rect;
  readonly ink: Rect;
  readonly shapes: readonly UnitShape[];
  /** The line of a text that it is on. */
  readonly line?: number;
  /** Where its text stands; the foot of its box when left out. */
  readonly baselineU?: number;
  /** The member of a group that it is; what that paints is the unit's content. */
  readonly memberId?: string;
  /** What a unit of a text says. */
  readonly reads?: string;
  /** Other letters set as it is, with no place yet; left out where there is nothing to set them with. */
  respelt?(reads: string): LayerUnit | undefined;
  /** The unit with its numbers counted to a share (0 to 1) of what they are; left out where none are counted. */
  counted?(share: number): LayerUnit;
  /** Only this part of it is seen, for a slice of a unit. */
  readonly cut?: Rect;
}

/** What is known of credits that are laid out. */
export interface MeasuredCredits {
  /** Their blocks at a share of the designed size, each lying at the window's top left; null for cards. */
  readonly blocksAt: ((size: number, box: PlacedBox, toPixels: Matrix) => CreditUnits) | null;
  /** Empty for a roll. */
  readonly cards: readonly CardFacts[];
  /** The heights of the pictures in rows. */
  readonly pictureHeightsU: readonly number[];
  /** How many pictures beside them have room where they lie. */
  besideCount(box: PlacedBox): number;
}

/** A card of credits. */
export interface CardFacts {
  readonly reads: string;
  readonly rowIds: readonly string[];
  /** Its rows beside headings. */
  readonly lines: number;
  /** Whether it begins with names of a role that is on the card before. */
  readonly goesOn: boolean;
  /** Whether it ends with a heading. */
  readonly endsOpen: boolean;
}

/** Credits ready to go by: blocks in order, and what stands beside them. */
export interface CreditUnits {
  /** Lengths are along the way. */
  readonly blocks: readonly {
    readonly unit: LayerUnit;
    readonly gapU: number;
    readonly lengthU: number;
    readonly rowIds: readonly string[];
  }[];
  readonly beside: readonly BesideUnit[];
}

/** A picture where it stands beside credits, and the block that it comes with. */
export interface BesideUnit {
  readonly unit: LayerUnit;
  readonly row: Extract<CreditRow, { kind: 'beside' }>;
  readonly block: number;
  /** The unit as it is so long after it came; left out for a picture that does not move. */
  unitAt?(seconds: number): LayerUnit;
}

/** What a kind of layer knows about one. */
export interface LayerBinding {
  readonly kindLabel: string;
  readonly unitKinds: readonly UnitKind[];
  /** The kind's own properties; made when they are asked for, since laying out never asks. */
  properties(): Property[];
  /** Layers whose boxes must be known before this one is measured. */
  readonly dependsOn: readonly string[];
  /** Layers whose sizes, not places, must be known before this one is measured. */
  readonly measuresAfter: readonly string[];
  /** Pictures that it shows beside those that its properties name. */
  readonly pictures?: readonly string[];
  /** null when the layer is absent: an empty text, or a box with nothing to enclose. */
  measure(context: MeasureContext): Measured | null;
  /** One of its own paints, by the name that its shapes know it by; left out by kinds whose shapes have none. */
  paint?(own: OwnPaint): LayerPaint;
}

/** A layer together with what its kind knows about it, and all its properties. */
export interface BoundLayer extends Omit<LayerBinding, 'properties'> {
  readonly properties: readonly Property[];
}

/** What a measured layer without text has in common. */
export const NO_TEXT = { fitted: [], overflows: false, missing: [], standIns: [] } as const;
