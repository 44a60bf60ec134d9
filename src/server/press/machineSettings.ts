import { hostname } from 'node:os';
import { resolve } from 'node:path';

const MOST_LANES = 64;

/** What a machine is called among others: `GILDER_MACHINE`, or what it is called in its network. */
export function machineName(): string {
  const { GILDER_MACHINE: name = '' } = process.env;
  return name === '' ? hostname() : name;
}

/**
 * How many titles are made side by side: `GILDER_LANES`; undefined where it is not set. `least`: 0 where others may make
 * them all. Throws for what is no such number.
 */
export function lanesAsked(least: 0 | 1): number | undefined {
  const { GILDER_LANES: text = '' } = process.env;
  if (text === '') return undefined;
  const lanes = Number(text);
  if (!Number.isInteger(lanes) || lanes < least || lanes > MOST_LANES)
    throw new Error(
      `GILDER_LANES is ${text}: needs how many titles are made side by side, ${least} to ${MOST_LANES}.`,
    );
  return lanes;
}

/** The folder under which finished files are put where an order says so: `GILDER_DELIVERY`; null where it is not set. */
export function deliveryFolder(): string | null {
  const { GILDER_DELIVERY: folder = '' } = process.env;
  return folder === '' ? null : resolve(folder);
}
