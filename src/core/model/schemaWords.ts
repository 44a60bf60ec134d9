import * as yup from 'yup';

// Schemas take their words when they are made, so whatever makes one imports this first.
// Every message completes the sentence "needs …".
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
