import { EASES } from '../eases';
import type { PoseProperty } from './pose';
import { REST } from './pose';

/** A value at a share of the unit's time, reached with an ease of its own or with the one that the user chose. */
interface MoveKey {
  readonly at: number;
  readonly value: number;
  /** An ease's id; `stepped` jumps at the end of its stretch. */
  readonly ease?: string;
}

/** One property of a move over the unit's time; it is at rest after the last key. */
export interface MovePart {
  readonly property: PoseProperty;
  readonly keys: readonly MoveKey[];
}

interface FromOptions {
  /** When it starts and ends, as shares of the unit's time. */
  readonly since?: number;
  readonly until?: number;
  readonly ease?: string;
}

/** A property that goes from a value to rest. */
export function from(property: PoseProperty, value: number, options: FromOptions = {}): MovePart {
  const { since = 0, until = 1, ease } = options;
  return {
    property,
    keys: [
      { at: since, value },
      { at: until, value: REST[property], ...(ease !== undefined && { ease }) },
    ],
  };
}

/** A share of the time, the value that is reached there, and how. */
export type Station = readonly [at: number, value: number, ease?: string];

/** A property that goes through values and then to rest. */
export function through(property: PoseProperty, stations: readonly Station[]): MovePart {
  return {
    property,
    keys: stations.map(([at, value, ease]) => ({ at, value, ...(ease !== undefined && { ease }) })),
  };
}

/** A part made ready: its value at a share (0 to 1) of the unit's time. */
export function compilePart({ property, keys }: MovePart, easeId: string): (share: number) => number {
  const stretches = keys.map((key, i) => ({
    at: key.at,
    value: key.value,
    from: i === 0 ? key.value : keys[i - 1].value,
    since: i === 0 ? 0 : keys[i - 1].at,
    ease: key.ease === 'stepped' ? null : EASES.get(key.ease ?? easeId),
  }));
  const last = keys[keys.length - 1].value;
  return (share) => {
    for (let i = 0; i < stretches.length; i++) {
      const { at, value, from: before, since, ease } = stretches[i];
      if (at <= share) continue;
      if (i === 0) return value;
      return ease === null ? before : before + (value - before) * ease.at((share - since) / (at - since));
    }
    return share >= 1 ? REST[property] : last;
  };
}
