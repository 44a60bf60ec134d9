import { sameValue } from '../kit/sameValue';

/** What made one state of a document of another: only what differs, so that it can be taken back from a later state. */
export type Change =
  /** Something that is one value; undefined is not there. */
  | { readonly kind: 'value'; readonly from: unknown; readonly to: unknown }
  /** An object, by its properties. */
  | { readonly kind: 'parts'; readonly parts: Readonly<Record<string, Change>> }
  /** A list of things with ids, by those; `order` where it is not the same after as before. */
  | {
      readonly kind: 'entries';
      readonly entries: readonly EntryChange[];
      readonly order: OrderChange | null;
    };

interface EntryChange {
  readonly id: string;
  readonly change: Change;
}

interface OrderChange {
  readonly from: readonly string[];
  readonly to: readonly string[];
}

interface Entry {
  readonly id: string;
}

/**
 * What differs between two states; null for nothing. What is the same object in both is not looked into. Lists that
 * `sorted` names, by their property of the document, are put in order by whoever applies a change.
 */
export function changeBetween(
  before: unknown,
  after: unknown,
  sorted: ReadonlySet<string> = new Set(),
): Change | null {
  if (before === after) return null;
  if (isEntryList(before) && isEntryList(after)) return entriesBetween(before, after, true);
  if (!isPlain(before) || !isPlain(after))
    return sameValue(before, after) ? null : { kind: 'value', from: before, to: after };
  const parts: Record<string, Change> = {};
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was, is] = [ownValue(before, key), ownValue(after, key)];
    const list = sorted.has(key) && isEntryList(was) && isEntryList(is);
    const change = list ? entriesBetween(was, is, false) : changeBetween(was, is);
    if (change !== null) parts[key] = change;
  }
  return Object.keys(parts).length === 0 ? null : { kind: 'parts', parts };
}

function entriesBetween(before: readonly Entry[], after: readonly Entry[], ordered: boolean): Change | null {
  const entries: EntryChange[] = [];
  const add = (id: string, was: unknown, is: unknown): void => {
    const change = was === undefined || is === undefined ? toValue(was, is) : changeBetween(was, is);
    if (change !== null) entries.push({ id, change });
  };
  const aligned = before.length === after.length && before.every(({ id }, i) => id === after[i].id);
  if (aligned) {
    before.forEach((was, i) => {
      if (was !== after[i]) add(was.id, was, after[i]);
    });
    return entries.length === 0 ? null : { kind: 'entries', entries, order: null };
  }
  const was = new Map(before.map((one) => [one.id, one]));
  const is = new Map(after.map((one) => [one.id, one]));
  for (const [id, one] of was) add(id, one, is.get(id));
  for (const [id, one] of is) if (!was.has(id)) add(id, undefined, one);
  const order = ordered ? { from: [...was.keys()], to: [...is.keys()] } : null;
  return entries.length === 0 && order === null ? null : { kind: 'entries', entries, order };
}

const toValue = (from: unknown, to: unknown): Change => ({ kind: 'value', from, to });

/**
 * A state with a change made (`forth`) or taken back (`back`). What others have changed since stays; where they changed
 * the very value, or took away what it was in, what is said last holds, or nothing is there to change.
 */
export function applyChange<T>(state: T, change: Change, way: 'forth' | 'back'): T;
export function applyChange(state: unknown, change: Change, way: 'forth' | 'back'): unknown {
  if (change.kind === 'value') return way === 'forth' ? change.to : change.from;
  if (change.kind === 'parts') {
    if (!isPlain(state)) return state;
    const next: Record<string, unknown> = { ...state };
    for (const [key, part] of Object.entries(change.parts)) {
      const value = applyChange(ownValue(state, key), part, way);
      if (value === undefined) delete next[key];
      else next[key] = value;
    }
    return next;
  }
  return isEntryList(state) ? applyEntries(state, change, way) : state;
}

function applyEntries(
  list: readonly Entry[],
  { entries, order }: Extract<Change, { kind: 'entries' }>,
  way: 'forth' | 'back',
): readonly Entry[] {
  const byId = new Map(list.map((one) => [one.id, one]));
  for (const { id, change } of entries) {
    const present = byId.get(id);
    // What was taken away elsewhere cannot be changed; only bringing it back brings it back.
    if (present === undefined && change.kind !== 'value') continue;
    const next: unknown = applyChange<unknown>(present, change, way);
    if (isEntry(next)) byId.set(id, next);
    else byId.delete(id);
  }
  const wanted = order === null ? null : way === 'forth' ? order.to : order.from;
  return wanted === null ? [...byId.values()] : inOrder(byId, wanted);
}

/** Things in an order that is wanted of some of them; the others stay behind what they stood behind. */
function inOrder(byId: ReadonlyMap<string, Entry>, wanted: readonly string[]): readonly Entry[] {
  const known = new Set(wanted);
  const ids = wanted.filter((id) => byId.has(id));
  let behind = -1;
  for (const id of byId.keys()) {
    const at = ids.indexOf(id);
    if (known.has(id)) behind = at;
    else ids.splice(++behind, 0, id);
  }
  return ids.flatMap((id) => byId.get(id) ?? []);
}

function isPlain(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

const isEntry = (value: unknown): value is Entry => isPlain(value) && typeof value.id === 'string';

function isEntryList(value: unknown): value is readonly Entry[] {
  return (
    Array.isArray(value) && value.every(isEntry) && new Set(value.map(({ id }) => id)).size === value.length
  );
}

const ownValue = (object: Record<string, unknown>, key: string): unknown =>
  Object.hasOwn(object, key) ? object[key] : undefined;
