/** An exact fraction; the denominator is positive. */
export interface Rational {
  readonly n: bigint;
  readonly d: bigint;
}

export const ZERO: Rational = { n: 0n, d: 1n };

/** The fraction n ÷ d in its lowest terms. Throws for a denominator of 0. */
export function rational(n: bigint, d: bigint = 1n): Rational {
  if (d === 0n) throw new RangeError('A fraction needs a denominator');
  const sign = d < 0n ? -1n : 1n;
  const by = gcd(n < 0n ? -n : n, d * sign) || 1n;
  return { n: (sign * n) / by, d: (sign * d) / by };
}

function gcd(a: bigint, b: bigint): bigint {
  let [x, y] = [a, b];
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

export const add = (a: Rational, b: Rational): Rational => rational(a.n * b.d + b.n * a.d, a.d * b.d);
export const subtract = (a: Rational, b: Rational): Rational => add(a, { n: -b.n, d: b.d });
export const times = (a: Rational, b: Rational): Rational => rational(a.n * b.n, a.d * b.d);
export const divide = (a: Rational, b: Rational): Rational => rational(a.n * b.d, a.d * b.n);

/** The nearest whole number; halves go up. */
export function roundRational({ n, d }: Rational): number {
  const twice = 2n * n + d;
  const whole = twice / (2n * d);
  return Number(twice < 0n && twice % (2n * d) !== 0n ? whole - 1n : whole);
}

// Files write times as decimal figures; further places than these are rounding of whoever wrote them.
const PLACES = 1_000_000;

/** A decimal figure as a fraction, exact to a millionth. Throws RangeError for what is no finite figure. */
export function fromNumber(value: number): Rational {
  if (!Number.isFinite(value) || Math.abs(value) > Number.MAX_SAFE_INTEGER / PLACES)
    throw new RangeError(`${value} is no time`);
  return Number.isInteger(value)
    ? rational(BigInt(value))
    : rational(BigInt(Math.round(value * PLACES)), BigInt(PLACES));
}

// The rates that are a thousandth slower than a whole one are written in many ways: 23.976, 23.98, 23.976023976.
const SLOWER = 1001n;
const NEAR = 0.006;

/** A frame rate as a fraction: 29.97 is 30000 ÷ 1001. Throws RangeError for a rate that is not above 0. */
export function rateFromNumber(rate: number): Rational {
  if (!(rate > 0)) throw new RangeError(`${rate} is no frame rate`);
  const whole = Math.round((rate * 1001) / 1000);
  const isSlower = !Number.isInteger(rate) && whole > 0 && Math.abs((whole * 1000) / 1001 - rate) < NEAR;
  return isSlower ? rational(BigInt(whole) * 1000n, SLOWER) : fromNumber(rate);
}
