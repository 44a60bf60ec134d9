/** What went wrong with something from outside, in parts that a screen can lay out. */
export interface InputProblem {
  /** Where: a path in a document, a line of a file, a cell. */
  readonly where: string;
  readonly expected: string;
  readonly got: string;
  /** What to do about it, in plain words; empty when the first three say it all. */
  readonly advice: string;
}

/** One line for people: where, what was expected, what was got, what to do. */
function describeProblem(problem: InputProblem): string {
  const advice = problem.advice === '' ? '' : ` ${problem.advice}`;
  return `${problem.where}: expected ${problem.expected}, got ${problem.got}.${advice}`;
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

/** A value as it is quoted in a message: strings in double quotes, anything long cut at 60 characters. */
export function quoteValue(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
