import type { Change } from './change';

type Thing = Readonly<Record<string, unknown>>;

/** How the things of one list are called. */
export interface ThingWords {
  readonly one: string;
  readonly many: string;
  /** What a thing is called by itself; empty for one without a name. */
  nameOf(thing: Thing): string;
  /** What is called by some of its properties together, given by their paths. */
  partOf(thing: Thing, paths: readonly string[]): string;
}

/** How a document's own properties and the things in its lists are called. */
export interface DocumentWords {
  /** By property; the first that is in a change names it. */
  readonly lists: Readonly<Record<string, ThingWords>>;
  readonly parts: Readonly<Record<string, string>>;
}

/**
 * A change in a few words: what came, went or is otherwise. `document` is one that it was made to, or would be, and
 * gives the names of things that were only changed; what it no longer has is called by what it is.
 */
export function sayChange(change: Change, document: object, words: DocumentWords): string {
  if (change.kind !== 'parts') return 'Everything';
  const { parts } = change;
  const lists = Object.entries(words.lists).flatMap(([key, of]) => {
    const list = parts[key];
    return list?.kind === 'entries' ? [sayEntries(list, listOf(document, key), of)] : [];
  });
  // What came or went brings other changes with it; those go without saying.
  const coming = lists.find(({ comes }) => comes);
  if (coming !== undefined) return coming.said;
  const own = Object.keys(parts).flatMap((key) => words.parts[key] ?? []);
  return [...lists.map(({ said }) => said), ...own].slice(0, 2).join(', ') || UNNAMED;
}

/** What paths are of by the names of their first properties, where that is one; else `Settings`. */
export function partNamed(names: Readonly<Record<string, string>>, paths: readonly string[]): string {
  const parts = new Set(paths.map((path) => names[path.split('.')[0]] ?? UNNAMED));
  return parts.size === 1 ? [...parts][0] : UNNAMED;
}

const UNNAMED = 'Settings';

interface Said {
  readonly said: string;
  /** Whether something came or went. */
  readonly comes: boolean;
}

function sayEntries(
  { entries, order }: Extract<Change, { kind: 'entries' }>,
  things: readonly Thing[],
  words: ThingWords,
): Said {
  const whole = entries.flatMap(({ change }) => (change.kind === 'value' ? [change] : []));
  const came = whole.filter(({ from }) => from === undefined).flatMap(({ to }) => asThings(to));
  if (came.length > 0) return { said: `Added ${called(came, words)}`, comes: true };
  const went = whole.filter(({ to }) => to === undefined).flatMap(({ from }) => asThings(from));
  if (went.length > 0) return { said: `Removed ${called(went, words)}`, comes: true };
  if (entries.length === 0 && order !== null) return { said: `Order of ${words.many}`, comes: false };
  const byId = new Map(things.map((thing) => [thing.id, thing]));
  const changed = entries.map(({ id, change }) => ({ thing: byId.get(id) ?? {}, paths: leaves(change, '') }));
  const parts = new Set(changed.map(({ thing, paths }) => words.partOf(thing, paths)));
  const part = parts.size === 1 ? [...parts][0] : UNNAMED;
  const subject = called(
    changed.map(({ thing }) => thing),
    words,
  );
  return { said: `${part} of ${subject}`, comes: false };
}

// Longer names would push what was done to them out of sight.
const LONGEST_NAME = 28;

function called(things: readonly Thing[], { one, many, nameOf }: ThingWords): string {
  if (things.length !== 1) return `${things.length} ${many}`;
  const name = nameOf(things[0]);
  if (name === '') return `a ${one}`;
  return `“${name.length > LONGEST_NAME ? `${name.slice(0, LONGEST_NAME - 1)}…` : name}”`;
}

/** The paths of all that a change sets. */
function leaves(change: Change, path: string): string[] {
  const at = (key: string): string => (path === '' ? key : `${path}.${key}`);
  switch (change.kind) {
    case 'value':
      return [path];
    case 'parts':
      return Object.entries(change.parts).flatMap(([key, part]) => leaves(part, at(key)));
    case 'entries':
      return [path];
  }
}

function listOf(document: object, key: string): readonly Thing[] {
  const list: unknown = Reflect.get(document, key);
  return Array.isArray(list) ? list.flatMap(asThings) : [];
}

function asThings(value: unknown): Thing[] {
  return typeof value === 'object' && value !== null ? [{ ...value }] : [];
}
