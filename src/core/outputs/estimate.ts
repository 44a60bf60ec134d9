/** A file that was made: how large its frames are, how many, and what it took. */
export interface MadeSample {
  readonly pixels: number;
  readonly frames: number;
  readonly seconds: number;
  readonly bytes: number;
}

interface Wanted {
  readonly pixels: number;
  readonly frames: number;
}

export interface Estimate {
  readonly seconds: number;
  readonly bytes: number;
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
}

/**
 * How long files take to make and how much room they need, by what files of the same kind took: the median of what one
 * pixel of one frame did. Files are made `lanes` at a time; none takes less than it does by itself. null without samples.
 */
export function estimateFiles(
  samples: readonly MadeSample[],
  wanted: readonly Wanted[],
  lanes: number,
): Estimate | null {
  const seen = samples.filter(({ pixels, frames }) => pixels > 0 && frames > 0);
  if (seen.length === 0) return null;
  const secondsEach = median(seen.map(({ seconds, pixels, frames }) => seconds / pixels / frames));
  const bytesEach = median(seen.map(({ bytes, pixels, frames }) => bytes / pixels / frames));
  const amounts = wanted.map(({ pixels, frames }) => pixels * frames);
  const all = amounts.reduce((sum, amount) => sum + amount, 0);
  const longest = Math.max(0, ...amounts);
  return {
    seconds: secondsEach * Math.max(longest, all / Math.max(1, lanes)),
    bytes: bytesEach * all,
  };
}
