import type { FrameRate } from '../time/rates';
import { frameToSeconds } from '../time/rates';

/** A title as the programme's reading counts it. */
export interface ReadSpan {
  readonly startFrame: number;
  readonly lengthFrames: number;
  readonly words: number;
}

/** A stretch of the programme (frames, half-open), and what there is to read in it. */
export interface ProgrammePart {
  readonly fromFrame: number;
  readonly toFrame: number;
  /** Words a minute, each title's spread evenly over its time. */
  readonly wordsAMinute: number;
  /** The most titles that are on screen at once. */
  readonly titles: number;
}

/**
 * What a viewer has to read over a programme, in at most `most` even parts: how dense the words are, and how many titles
 * are on screen at once. Stretches without titles count 0. Empty for a programme without length.
 */
export function programmeParts(
  spans: readonly ReadSpan[],
  endFrame: number,
  rate: FrameRate,
  most = 120,
): ProgrammePart[] {
  if (endFrame <= 0) return [];
  const count = Math.min(most, endFrame);
  const edge = (i: number): number => Math.round((i * endFrame) / count);
  const partOf = (frame: number): number => Math.min(count - 1, Math.floor((frame * count) / endFrame));
  const words = new Float64Array(count);
  const within: ReadSpan[][] = Array.from({ length: count }, () => []);
  for (const span of spans) {
    const end = Math.min(endFrame, span.startFrame + span.lengthFrames);
    if (span.startFrame >= end) continue;
    for (let i = partOf(span.startFrame); i <= partOf(end - 1); i++) {
      const shared = Math.min(end, edge(i + 1)) - Math.max(span.startFrame, edge(i));
      if (shared <= 0) continue;
      words[i] += (span.words * shared) / span.lengthFrames;
      within[i].push(span);
    }
  }
  return within.map((here, i) => {
    const [fromFrame, toFrame] = [edge(i), edge(i + 1)];
    const minutes = frameToSeconds(toFrame - fromFrame, rate) / 60;
    return { fromFrame, toFrame, wordsAMinute: words[i] / minutes, titles: mostAtOnce(here) };
  });
}

/** The most spans that share a frame. */
function mostAtOnce(spans: readonly ReadSpan[]): number {
  const edges = spans.flatMap(({ startFrame, lengthFrames }) => [
    { frame: startFrame, by: 1 },
    { frame: startFrame + lengthFrames, by: -1 },
  ]);
  edges.sort((a, b) => a.frame - b.frame || a.by - b.by);
  let [now, most] = [0, 0];
  for (const { by } of edges) most = Math.max(most, (now += by));
  return most;
}
