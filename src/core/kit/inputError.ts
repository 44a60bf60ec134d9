/** What went wrong with something from outside, in parts that a screen can lay out. */
export interface InputProblem {
  /** Where: a path in a document, a line of a file, a cell. */
  readonly where: string;
  readonly expected: string;
  readonly got: string;
  /** What to do about it, in plain words; empty when the first three say it all. */
  readonly advice: string;
}

/** One line for people: where, what it needs, what was found, what to do. */
function describeProblem(problem: InputProblem): string {
  const advice = problem.advice === '' ? '' : ` ${problem.advice}`;
  return `${problem.where}: needs ${problem.expected}, found ${problem.got}.${advice}`;
}

/** A refusal of something from outside. Nothing was changed when this is thrown. */
export class InputError extends Error {
  override readonly name = 'InputError';

  constructor(readonly problems: readonly InputProblem[]) {
    super(problems.map(describeProblem).join('\n'));
  }

  /** An error with a single problem. */
  static of(where: string, expected: string, got: unknown, advice = ''): InputError {
    return new InputError([{ where, expected, got: quoteValue(got), advice }]);
  }
}

const LONGEST_QUOTE = 60;
const MOST_PARTS = 5;
const DEEPEST_QUOTE = 3;

/** A value as it is quoted in a message: strings in double quotes, anything long or deep cut, at 60 characters in all. */
export function quoteValue(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(briefly(value)) ?? String(value);
  return text.length > LONGEST_QUOTE ? `${text.slice(0, LONGEST_QUOTE - 3)}…` : text;
}

/** The beginning of a value, so that quoting costs the same however large and deep it is. */
function briefly(value: unknown, depth = 0): unknown {
  if (typeof value === 'string') return value.slice(0, LONGEST_QUOTE);
  if (typeof value === 'bigint') return String(value);
  if (typeof value !== 'object' || value === null) return value;
  if (depth === DEEPEST_QUOTE) return '…';
  if (Array.isArray(value)) return value.slice(0, MOST_PARTS).map((one: unknown) => briefly(one, depth + 1));
  const parts: [string, unknown][] = [];
  for (const key in value) {
    if (parts.length === MOST_PARTS) break;
    parts.push([key.slice(0, LONGEST_QUOTE), briefly(Reflect.get(value, key), depth + 1)]);
  }
  return Object.fromEntries(parts);
}
