import { InputError } from '../kit/inputError';
import { checkValue } from './check';
import type { OwnMove } from './house';
import { motionSchema } from './layerSchema';
import { exactly } from './schemaParts';
import * as yup from 'yup';

const KIND = 'gilder-move';
const VERSION = 1;

const fileSchema = exactly({
  kind: yup.string().required().oneOf([KIND]),
  version: yup.number().required().oneOf([VERSION]),
  name: yup.string().required().min(1).max(60),
  motion: motionSchema,
});

/** A kept move as the text of a file (JSON). */
export function ownMoveToText({ name, motion }: OwnMove): string {
  return `${JSON.stringify({ kind: KIND, version: VERSION, name, motion }, null, 2)}\n`;
}

/** A move from the text of a file, checked. Throws InputError that names the file. */
export function textToOwnMove(text: string, file: string): Omit<OwnMove, 'id'> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw InputError.of(file, 'a move that was exported from Gilder', 'something that is not JSON');
  }
  const { name, motion } = checkValue<Omit<OwnMove, 'id'>>(fileSchema, value, file);
  return { name, motion };
}
