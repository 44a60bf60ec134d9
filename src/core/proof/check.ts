import type { CaptionRules, Cue } from '../model/captions';
import type { CreditRules } from '../model/credits';
import type { House } from '../model/house';
import type { Delivery } from '../model/plan';
import type { Clip, Title } from '../model/project';
import type { Field, FieldValues, Template } from '../model/template';
import type { Rect } from '../kit/rect';
import type { ShownTitle } from '../project/deliver';
import type { TitleTiming } from '../titleTime/stretch';
import type { Clock } from '../time/clock';
import type { FrameRate } from '../time/rates';
import type { Eyes } from './eyes';
import type { Found } from './finding';
import type { CheckRules, ReadingRules } from '../model/rules';
import type { Speller } from './speller';

/** Words of a title as its card has them. */
export interface FieldWords {
  readonly field: Field;
  readonly text: string;
  /** The language that it is in (BCP 47); `und` where nobody said. */
  readonly language: string;
  /** Whether somebody typed them, or they go to air of their own accord. */
  readonly typed: boolean;
}

/** What a check of words and times knows of a title. */
export interface TitleContext {
  readonly title: Title;
  readonly template: Template;
  /** The template with the title's values in it. */
  readonly applied: Template;
  readonly values: FieldValues;
  readonly words: readonly FieldWords[];
  readonly timing: TitleTiming;
  readonly rate: FrameRate;
  /** What timecodes are told by. */
  readonly clock: Clock;
  readonly rules: CheckRules;
  readonly reading: ReadingRules;
  /** The cue that it is made of, where it is a caption. */
  readonly cue: Cue | null;
  readonly captions: CaptionRules;
  readonly credits: CreditRules;
  /** The colours of the House. */
  readonly colours: House['colours'];
  /** All clips of the project, in order. */
  readonly clips: readonly Clip[];
  /** The newest edition of its template, when that is not its own. */
  readonly newer: { readonly id: string; readonly number: number } | null;
  readonly speller: Speller;
  /** How long its words can be read, in seconds, were it of another length in frames. */
  readableAt(lengthFrames: number): number;
}

/** What a check of the layout knows of a title in one delivery. */
export interface LayoutContext extends TitleContext {
  readonly delivery: Delivery;
  readonly shown: ShownTitle;
  /** The title-safe area that counts, in design units. */
  readonly safe: Rect;
  /** A frame of the title at which everything is at rest. */
  readonly restingFrame: number;
  readonly eyes: Eyes;
  /** Pictures that the title shows itself and that are not here, by id. */
  readonly missingPictures: readonly string[];
  /** The same title laid out for a picture of another width. */
  showAt(widthPx: number): ShownTitle;
}

/** A title as checks of several of them see it. */
export interface SeenTitle {
  readonly context: TitleContext;
  /** What its words cover at rest, in design units, by delivery id; empty where it is not laid out yet. */
  readonly covers: ReadonlyMap<string, Rect>;
}

interface CheckBase {
  readonly id: string;
  readonly label: string;
  /** What it looks for, in a sentence for the house's list of checks. */
  readonly about: string;
  /** What it looks at, where it is not both. */
  readonly of?: 'titles' | 'captions';
}

/** A check; the kind says what it needs to know. */
export type Check = CheckBase &
  (
    | { readonly kind: 'title'; run(context: TitleContext): readonly Found[] }
    | {
        readonly kind: 'layout';
        /** Whether it finds the same in titles that differ in their words alone. */
        readonly wordless?: boolean;
        run(context: LayoutContext): readonly Found[] | Promise<readonly Found[]>;
      }
    /** Finds by title id. */
    | { readonly kind: 'project'; run(titles: readonly SeenTitle[]): ReadonlyMap<string, readonly Found[]> }
  );

/** Declares a check. */
export function defineCheck<T extends Check>(check: T): T {
  return check;
}
