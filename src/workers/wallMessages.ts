import type { FieldValues, Layer, Template } from '@/core/model/template';
import type { TitleTiming } from '@/core/titleTime/stretch';

/**
 * What the pictures of the format wall are asked of: a template with values, known by a number from here on. Of its
 * layers only those come that the design before did not have; the others are kept, and with them their typesetting.
 */
export interface WallDesign {
  readonly kind: 'design';
  readonly number: number;
  /** The template without its layers. */
  readonly template: Template;
  /** The ids of its layers in their order. */
  readonly order: readonly string[];
  readonly changed: readonly Layer[];
  readonly values: FieldValues;
}

/** A picture of the format wall that is asked for. */
export interface WallRequest {
  readonly kind: 'picture';
  /** The format's id, which a reply carries back. */
  readonly formatId: string;
  /** The number of the design that was sent before. */
  readonly design: number;
  readonly widthPx: number;
  readonly seconds: number;
  readonly timing: TitleTiming;
  /** The language (BCP 47) of words whose field says none. */
  readonly language?: string;
}

/** A picture of the format wall with what is wrong in its layout; no picture when it cannot be laid out. */
export interface WallReply {
  readonly formatId: string;
  readonly bitmap: ImageBitmap | null;
  readonly trouble: readonly string[];
}
