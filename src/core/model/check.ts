import * as yup from 'yup';
import type { InputProblem } from '../kit/inputError';
import { InputError, quoteValue } from '../kit/inputError';

// Every message completes the sentence "expected …".
yup.setLocale({
  mixed: {
    default: 'a valid value',
    required: 'a value',
    defined: 'a value',
    notNull: 'a value that is not null',
    oneOf: ({ values }) => `one of ${values}`,
    notType: ({ type }) => `a value of type ${type}`,
  },
  string: {
    min: ({ min }) => `at least ${min} characters`,
    max: ({ max }) => `at most ${max} characters`,
    matches: ({ regex }) => `text of the form ${regex}`,
  },
  number: {
    min: ({ min }) => `at least ${min}`,
    max: ({ max }) => `at most ${max}`,
    integer: 'a whole number',
    positive: 'more than 0',
  },
  array: {
    min: ({ min }) => `at least ${min} entries`,
    max: ({ max }) => `at most ${max} entries`,
  },
  object: { noUnknown: ({ unknown }) => `no unknown properties (${unknown})` },
});

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
