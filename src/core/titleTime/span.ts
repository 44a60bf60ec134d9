import type { Span, Timing } from '../model/template';
import { momentToSeconds } from './moments';
import type { TitleTiming } from './stretch';

/** The time that a layer has to itself within a title. */
export interface SpanTime {
  /** When it starts, in seconds from the title's start. */
  readonly fromSeconds: number;
  /** Its own in, hold and out. */
  readonly timing: TitleTiming;
}

/**
 * The time of a span in a title of some length: never outside the title, on whole frames, and one frame at least. The
 * layer's in and out are as long as the title's; in a span shorter than both they shrink in proportion.
 */
export function spanTime({ from, to }: Span, design: Timing, title: TitleTiming): SpanTime {
  const { frameSeconds, totalFrames } = title;
  const frameOf = (seconds: number): number => Math.round(seconds / frameSeconds);
  const start = Math.max(0, Math.min(totalFrames - 1, frameOf(momentToSeconds(from, design, title))));
  const end = Math.max(start + 1, Math.min(totalFrames, frameOf(momentToSeconds(to, design, title))));
  const total = end - start;
  const moving = title.inFrames + title.outFrames;
  const scale = moving > total ? total / moving : 1;
  const inFrames = Math.round(title.inFrames * scale);
  const outFrames = Math.min(total - inFrames, Math.round(title.outFrames * scale));
  return {
    fromSeconds: start * frameSeconds,
    timing: {
      inFrames,
      outFrames,
      holdFrames: total - inFrames - outFrames,
      totalFrames: total,
      inSeconds: inFrames * frameSeconds,
      outStartSeconds: (total - outFrames) * frameSeconds,
      outSeconds: outFrames * frameSeconds,
      totalSeconds: total * frameSeconds,
      frameSeconds,
      sinceSeconds: start * frameSeconds,
    },
  };
}
