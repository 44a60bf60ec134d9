import { InputError } from '../kit/inputError';
import { wellFormedValue } from '../kit/wellFormed';
import { checkValue } from './check';
import { moveIsFound } from './house';
import type { OwnMove } from './house';
import { motionSchema } from './layerSchema';
import { exactly } from './schemaParts';
import * as yup from 'yup';

const KIND = 'gilder-move';
const VERSION = 1;
/** The most that a move's file may have, in characters. */
export const LONGEST_FILE = 1_000_000;

const fileSchema = exactly({
  kind: yup.string().required().oneOf([KIND]),
  version: yup.number().required().oneOf([VERSION]),
  name: yup.string().required().min(1).max(60),
  motion: motionSchema,
  ...moveIsFound,
});

/** A kept move as the text of a file (JSON). */
export function ownMoveToText({ id: _, ...move }: OwnMove): string {
  return `${JSON.stringify({ kind: KIND, version: VERSION, ...move }, null, 2)}\n`;
}

/** A move from the text of a file, checked. Throws InputError that names the file. */
export function textToOwnMove(text: string, file: string): Omit<OwnMove, 'id'> {
  if (text.length > LONGEST_FILE)
    throw InputError.of(file, 'a move of at most 1 MB', `${Math.ceil(text.length / 1e6)} MB`);
  let value: unknown;
  try {
    value = wellFormedValue(JSON.parse(text));
  } catch {
    throw InputError.of(file, 'a move that was exported from Gilder', 'something that is not JSON');
  }
  const { name, motion, folder, tags } = checkValue<Omit<OwnMove, 'id'>>(fileSchema, value, file);
  return { name, motion, ...(folder !== undefined && { folder }), ...(tags !== undefined && { tags }) };
}
