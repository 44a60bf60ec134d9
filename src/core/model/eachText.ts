// What somebody typed, and what things are called: never a colour, whatever it reads like.
const WORDS: ReadonlySet<string> = new Set(['text', 'rows', 'role', 'name', 'label', 'help', 'id']);

/**
 * A part of a document with every text in it changed by `change`, which is told what it is called; words that somebody
 * typed are left out. The same object where nothing in it changes.
 */
export function eachText<T>(part: T, change: (text: string, key: string) => string): T {
  // What comes back differs from what went in by texts alone.
  return walk(part, '', change) as T;
}

function walk(value: unknown, key: string, change: (text: string, key: string) => string): unknown {
  if (typeof value === 'string') return change(value, key);
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    const next: unknown[] = value.map((item) => walk(item, key, change));
    return next.every((item, i) => item === value[i]) ? value : next;
  }
  const entries = Object.entries(value);
  const next = entries.map(([name, item]): [string, unknown] => [
    name,
    WORDS.has(name) ? item : walk(item, name, change),
  ]);
  return next.every(([, item], i) => item === entries[i][1]) ? value : Object.fromEntries(next);
}
