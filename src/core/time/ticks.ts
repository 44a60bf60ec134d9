import type { FrameRate } from './rates';

/**
 * Whole ticks of so small a part of a second that every time of every usual rate is a whole number of them: frames of
 * 24, 25, 30, 48, 50, 60, 90, 100 and 120 a second, those a thousandth slower, and millionths of each. Sums of them are
 * exact and never grow longer, however many are added.
 */
export const TICKS_PER_SECOND = 705_600_000n * 1_000_000n;

// Files write times as decimal figures; further places than these are rounding of whoever wrote them.
const PLACES = 1_000_000;
const MOST_SECONDS = 1_000_000n;

interface Fraction {
  readonly n: bigint;
  readonly d: bigint;
}

/** A decimal figure as a fraction, exact to a millionth. Throws RangeError for what is no finite figure. */
function fractionOf(value: number): Fraction {
  if (!Number.isFinite(value) || Math.abs(value) > Number.MAX_SAFE_INTEGER / PLACES)
    throw new RangeError(`${value} is no time`);
  return Number.isInteger(value)
    ? { n: BigInt(value), d: 1n }
    : { n: BigInt(Math.round(value * PLACES)), d: BigInt(PLACES) };
}

// The rates that are a thousandth slower than a whole one are written in many ways: 23.976, 23.98, 23.976023976.
const SLOWER = 1001n;
const NEAR = 0.006;

/** A frame rate as a fraction: 29.97 is 30000 ÷ 1001. Throws RangeError for a rate that is not above 0. */
export function rateFromNumber(rate: number): Fraction {
  if (!(rate > 0)) throw new RangeError(`${rate} is no frame rate`);
  const whole = Math.round((rate * 1001) / 1000);
  const isSlower = !Number.isInteger(rate) && whole > 0 && Math.abs((whole * 1000) / 1001 - rate) < NEAR;
  if (isSlower) return { n: BigInt(whole) * 1000n, d: SLOWER };
  const found = fractionOf(rate);
  if (found.n === 0n) throw new RangeError(`${rate} is no frame rate`);
  return found;
}

/**
 * The ticks of a time that is written as a number of frames at a rate; exact at the usual rates, else to the nearest
 * tick. Throws RangeError for what is no time, and for one beyond a million seconds.
 */
export function ticksOf(value: number, rate: number): bigint {
  const [frames, perSecond] = [fractionOf(value), rateFromNumber(rate)];
  const ticks = divideRounded(frames.n * perSecond.d * TICKS_PER_SECOND, frames.d * perSecond.n);
  if (isTooLong(ticks)) throw new RangeError(`${value} at ${rate} is too long`);
  return ticks;
}

/** Whether a time lies beyond a million seconds (277 hours), which no timeline of ours does. */
export function isTooLong(ticks: bigint): boolean {
  return ticks > MOST_SECONDS * TICKS_PER_SECOND || -ticks > MOST_SECONDS * TICKS_PER_SECOND;
}

/** The frame that begins nearest to a time; halves go up. */
export function frameNearTicks(ticks: bigint, { numerator, denominator }: FrameRate): number {
  return Number(divideRounded(ticks * BigInt(numerator), BigInt(denominator) * TICKS_PER_SECOND));
}

/** The whole number nearest to n ÷ d, for a d above 0; halves go up. */
function divideRounded(n: bigint, d: bigint): bigint {
  const twice = 2n * n + d;
  const whole = twice / (2n * d);
  return twice < 0n && twice % (2n * d) !== 0n ? whole - 1n : whole;
}
