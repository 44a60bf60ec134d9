import type { DisplayList } from '../display/list';
import type { FrameFormat } from '../frame/formats';
import type { Rect } from '../kit/rect';
import type { PictureSizes } from '../layers/layerKind';
import type { CuePlace } from '../model/captions';
import type { FieldValues, Template } from '../model/template';
import type { PaintedTitle, ShownTitle } from '../project/deliver';
import { showTitle } from '../project/deliver';
import { endOf } from '../project/lanes';
import { SpanIndex } from '../project/spanIndex';
import type { FontLibrary } from '../text/fontLibrary';
import type { FrameRate } from '../time/rates';
import { standsAbove, wordsCover } from './cuePlace';

/** A title or a caption of a programme that is painted as one. */
export interface ProgrammePart extends PaintedTitle {
  readonly startFrame: number;
  readonly lane: number;
  readonly template: Template;
  readonly values: FieldValues;
  /** Where a caption stands; null for a title. */
  readonly place: CuePlace | null;
  /** Whether it is painted, or there only to be kept clear of. */
  readonly painted: boolean;
}

interface ProgrammeTools {
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  readonly fonts: FontLibrary;
  readonly pictures?: PictureSizes;
  /** The language (BCP 47) of words that say none themselves. */
  readonly language?: string;
}

/**
 * The frames of a whole programme: everything that is on screen, higher lanes nearer the viewer, captions clear of
 * titles. What is on screen is laid out when it comes and let go when it has gone, so frames are best asked in order.
 */
export class ShownProgramme {
  private readonly index: SpanIndex<ProgrammePart>;
  private readonly shown = new Map<ProgrammePart, ShownTitle>();

  constructor(
    parts: readonly ProgrammePart[],
    private readonly tools: ProgrammeTools,
  ) {
    this.index = new SpanIndex(parts);
  }

  /** A frame, or, half a frame later, its second field. */
  frame(frame: number): DisplayList {
    for (const part of this.shown.keys()) if (endOf(part) <= frame) this.shown.delete(part);
    const items = this.index
      .meeting({ startFrame: Math.floor(frame), lengthFrames: 1 })
      .filter(({ painted }) => painted)
      .toSorted((a, b) => a.lane - b.lane)
      .flatMap((part) => this.placed(part).frame(frame - part.startFrame).items);
    const { widthPx, heightPx } = this.tools.format;
    return { widthPx, heightPx, items };
  }

  private placed(part: ProgrammePart): ShownTitle {
    const known = this.shown.get(part);
    if (known !== undefined) return known;
    const below = this.show(part);
    const { caption, place } = part;
    if (place === null || caption === undefined || !this.goesAbove({ ...part, place }, below))
      return this.keep(part, below);
    return this.keep(part, this.show({ ...part, caption: { ...caption, atTop: true } }));
  }

  private goesAbove(part: ProgrammePart & { readonly place: CuePlace }, below: ShownTitle): boolean {
    if (part.place !== 'auto') return false;
    const covers = this.index
      .meeting(part)
      .filter(({ place }) => place === null)
      .flatMap((title): Rect[] => {
        const cover = wordsCover(this.placed(title).compiled);
        return cover === null ? [] : [cover];
      });
    return standsAbove(part, wordsCover(below.compiled), covers);
  }

  private keep(part: ProgrammePart, shown: ShownTitle): ShownTitle {
    this.shown.set(part, shown);
    return shown;
  }

  private show(part: ProgrammePart): ShownTitle {
    const { format, rate, fonts, pictures, language } = this.tools;
    const own = part.caption?.language ?? language;
    return showTitle(part, part.template, part.values, format, rate, fonts, pictures, own);
  }
}
