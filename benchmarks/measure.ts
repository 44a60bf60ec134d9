/** The middle of some figures. */
export function median(figures: readonly number[]): number {
  const sorted = figures.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
}

/** The figure that a share (0 to 1) of the figures does not go beyond. */
export function percentile(figures: readonly number[], share: number): number {
  const sorted = figures.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(sorted.length * share) - 1)];
}

/** Milliseconds that one run of the work takes, at the median of `times` rounds of `inner` runs each. */
export function time(work: () => void, times = 15, inner = 1): number {
  work();
  const rounds = Array.from({ length: times }, () => {
    const from = performance.now();
    for (let i = 0; i < inner; i++) work();
    return (performance.now() - from) / inner;
  });
  return median(rounds);
}

/** Milliseconds that some asynchronous work takes, at the median of `times` runs. */
export async function timeAsync(work: () => Promise<void>, times = 3): Promise<number> {
  const rounds: number[] = [];
  for (let i = 0; i < times; i++) {
    const from = performance.now();
    await work();
    rounds.push(performance.now() - from);
  }
  return median(rounds);
}

/** Milliseconds of two pieces of work that take turns, so that a busy machine disturbs both alike, and the median of the ratios of the turns. */
export async function timeInTurns(
  first: () => Promise<void>,
  second: () => Promise<void>,
  turns = 3,
): Promise<{ readonly first: number; readonly second: number; readonly ratio: number }> {
  const rounds: { first: number; second: number }[] = [];
  for (let i = 0; i < turns; i++) {
    rounds.push({ first: await timeAsync(first, 1), second: await timeAsync(second, 1) });
  }
  return {
    first: median(rounds.map((round) => round.first)),
    second: median(rounds.map((round) => round.second)),
    ratio: median(rounds.map((round) => round.first / round.second)),
  };
}

/** Prints a line of the report. */
export function report(name: string, figure: string, wanted = ''): void {
  console.log(`${name.padEnd(62)} ${figure.padStart(14)}${wanted === '' ? '' : `   (wanted: ${wanted})`}`);
}
