import { InputError } from '../../kit/inputError';
import { wellFormedText } from '../../kit/wellFormed';
import { ticksOf } from '../../time/ticks';

/** A JSON object of a timeline file; nothing of it is looked at before it is asked for. */
export type OtioNode = Readonly<Record<string, unknown>>;

/** A range of a timeline file, in ticks. */
export interface OtioRange {
  readonly start: bigint;
  readonly length: bigint;
}

const LONGEST_NAME = 200;

/** An object of a timeline file. Throws InputError for anything else. */
export function nodeOf(value: unknown, where: string): OtioNode {
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) return { ...value };
  throw InputError.of(where, 'an object', value);
}

/** The list under a key, empty where there is none. Throws InputError for anything else. */
export function listIn(node: OtioNode, key: string, where: string): readonly unknown[] {
  const value = node[key] ?? [];
  if (Array.isArray(value)) return value;
  throw InputError.of(`${where}, ${key}`, 'a list', value);
}

/** The name of a node, empty where there is none. Throws InputError for a name that is no text. */
export function nameOf(node: OtioNode, where: string): string {
  const name = node.name ?? '';
  if (typeof name !== 'string') throw InputError.of(`${where}, name`, 'a text', name);
  return Array.from(wellFormedText(name).slice(0, 2 * LONGEST_NAME))
    .slice(0, LONGEST_NAME)
    .join('');
}

/** What a node is: the name of its schema without the version. Throws InputError for one that does not say. */
export function schemaOf(node: OtioNode, where: string): string {
  const schema = node.OTIO_SCHEMA;
  if (typeof schema !== 'string') throw InputError.of(`${where}, OTIO_SCHEMA`, 'a text', schema);
  return schema.split('.')[0];
}

/** A time of a timeline file, in ticks. Throws InputError for one that is none. */
export function timeOf(value: unknown, where: string): bigint {
  const { value: frames, rate } = nodeOf(value, where);
  if (typeof frames !== 'number') throw InputError.of(`${where}, value`, 'a number', frames);
  if (typeof rate !== 'number') throw InputError.of(`${where}, rate`, 'a number', rate);
  try {
    return ticksOf(frames, rate);
  } catch {
    const expected = 'a time of at most 277 hours at a rate above 0';
    throw InputError.of(where, expected, `${frames} at ${rate}`);
  }
}

/** A range of a timeline file, null where there is none. Throws InputError for one that is none. */
export function rangeOf(value: unknown, where: string): OtioRange | null {
  if (value === undefined || value === null) return null;
  const { start_time, duration } = nodeOf(value, where);
  const range = {
    start: timeOf(start_time, `${where}, start_time`),
    length: timeOf(duration, `${where}, duration`),
  };
  if (range.length < 0n) throw InputError.of(`${where}, duration`, 'a length of 0 or more', 'one below');
  return range;
}
