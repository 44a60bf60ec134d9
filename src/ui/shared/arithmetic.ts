/**
 * What a typed number means. Plain numbers and the four operations with brackets ("1080/3"); a leading
 * `+`, `*` or `/` goes on from the present value ("+12"); "%" of the whole when one is given; trailing units
 * are looked up ("2f"). Null when it is none of these, or not finite. A leading minus is a negative number.
 */
export function evaluateNumber(
  typed: string,
  present: number,
  units: Readonly<Record<string, number>> = {},
): number | null {
  const text = typed.trim().toLowerCase().replace(/,/g, '.').replace(/×/g, '*');
  if (text === '') return null;
  const relative = /^[+*/]/.test(text) ? `${present}${text}` : text;
  const tokens = relative.match(/\d+\.?\d*(?:e-?\d+)?|\.\d+|[-+*/()]|[a-z%‰°]+/g);
  if (tokens === null || tokens.join('') !== relative.replace(/\s+/g, '')) return null;
  const reader = new Reader(tokens, units);
  const value = reader.sum();
  return reader.atEnd() && value !== null && Number.isFinite(value) ? value : null;
}

/** Reads sums of products of numbers by recursive descent; null spreads from anything it cannot read. */
class Reader {
  private at = 0;

  constructor(
    private readonly tokens: readonly string[],
    private readonly units: Readonly<Record<string, number>>,
  ) {}

  atEnd(): boolean {
    return this.at === this.tokens.length;
  }

  sum(): number | null {
    let value = this.product();
    while (value !== null && (this.peek() === '+' || this.peek() === '-')) {
      const plus = this.next() === '+';
      const right = this.product();
      value = right === null ? null : plus ? value + right : value - right;
    }
    return value;
  }

  private product(): number | null {
    let value = this.signed();
    while (value !== null && (this.peek() === '*' || this.peek() === '/')) {
      const times = this.next() === '*';
      const right = this.signed();
      value = right === null ? null : times ? value * right : value / right;
    }
    return value;
  }

  private signed(): number | null {
    if (this.peek() !== '-') return this.atom();
    this.next();
    const value = this.signed();
    return value === null ? null : -value;
  }

  private atom(): number | null {
    const token = this.next();
    if (token === undefined) return null;
    if (token === '(') {
      const value = this.sum();
      return this.next() === ')' ? value : null;
    }
    if (!/^[\d.]/.test(token)) return null;
    const unit = this.peek();
    if (unit === undefined || !/^[a-z%‰°]/.test(unit)) return Number(token);
    this.next();
    const factor = Object.hasOwn(this.units, unit) ? this.units[unit] : null;
    return factor === null ? null : Number(token) * factor;
  }

  private peek(): string | undefined {
    return this.tokens[this.at];
  }

  private next(): string | undefined {
    return this.tokens[this.at++];
  }
}
