import * as yup from 'yup';
import type { TypeOf } from './schema';
import { text } from './schema';

const problemSchema = yup.object({ where: text(), expected: text(), got: text(), advice: text() });

/** What every refusal looks like on the wire. For a stale write it holds the state that is newer. */
export const refusalSchema = yup.object({
  message: text(),
  problems: yup.array().of(problemSchema).optional(),
  newer: yup.mixed<object>().nullable().optional(),
});
export type Refusal = TypeOf<typeof refusalSchema>;
