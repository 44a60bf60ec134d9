import * as yup from 'yup';
import type { InputProblem } from '../kit/inputError';
import { InputError, quoteValue } from '../kit/inputError';
import './schemaWords';

/**
 * The value once a schema has accepted it, with nothing converted or left out. Throws an InputError that
 * lists every problem with its path, what was expected and what was got.
 */
export function checkValue<T>(schema: yup.Schema, value: unknown, where: string): T {
  try {
    schema.validateSync(value, { abortEarly: false, strict: true });
  } catch (error) {
    if (error instanceof yup.ValidationError) throw new InputError(problemsOf(error, where));
    throw error;
  }
  // The schema is the only judge of a value from outside; TypeScript cannot see what it has proven.
  return value as T;
}

function problemsOf(error: yup.ValidationError, where: string): InputProblem[] {
  const all = error.inner.length > 0 ? error.inner : [error];
  return all.slice(0, 20).map((problem) => ({
    where: problem.path ? `${where}, ${problem.path}` : where,
    expected: problem.message,
    got: quoteValue(problem.value),
    advice: '',
  }));
}
