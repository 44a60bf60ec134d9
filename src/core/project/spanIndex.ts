import type { Span } from './lanes';
import { meet } from './lanes';

// Titles last some seconds; a bucket holds few of them, and they stand in few.
const BUCKET_FRAMES = 256;

/** Finds what shares a frame with a span, in time that follows from how much that is. */
export class SpanIndex<T extends Span> {
  private readonly buckets = new Map<number, T[]>();

  constructor(spans: readonly T[]) {
    for (const span of spans) for (const key of keysOf(span)) this.take(key, span);
  }

  private take(key: number, span: T): void {
    const bucket = this.buckets.get(key);
    if (bucket === undefined) this.buckets.set(key, [span]);
    else bucket.push(span);
  }

  /** What meets a span, each once, in the order that it was given in. */
  meeting(span: Span): T[] {
    const found = new Set<T>();
    for (const key of keysOf(span))
      for (const one of this.buckets.get(key) ?? []) if (meet(one, span)) found.add(one);
    return [...found];
  }
}

function keysOf({ startFrame, lengthFrames }: Span): number[] {
  const first = Math.floor(startFrame / BUCKET_FRAMES);
  const last = Math.floor((startFrame + Math.max(1, lengthFrames) - 1) / BUCKET_FRAMES);
  return Array.from({ length: last - first + 1 }, (_, i) => first + i);
}
