import type { FieldValues, Template } from '@/core/document/template';
import type { TitleTiming } from '@/core/timeline/stretch';

/** A picture of the format wall that is asked for. */
export interface WallRequest {
  /** Whose picture it is: replies carry it back. */
  readonly key: string;
  /** The same for requests whose layout is the same, so that only the time is evaluated anew. */
  readonly layout: string;
  readonly template: Template;
  readonly values: FieldValues;
  readonly formatId: string;
  readonly widthPx: number;
  readonly seconds: number;
  readonly timing: TitleTiming;
}

/** A picture of the format wall with what is wrong in its layout; no picture when it cannot be laid out. */
export interface WallReply {
  readonly key: string;
  readonly bitmap: ImageBitmap | null;
  readonly trouble: readonly string[];
}
