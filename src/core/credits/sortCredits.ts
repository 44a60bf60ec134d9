import type { CreditRow } from '../model/credits';

// Little words that belong to a family name but are not what it is sorted by, in lists of names.
const PARTICLES = /^(?:van|von|der|den|de|da|di|du|la|le|el|al|bin|ibn|ten|ter|zu|zum)$/iu;
// Scripts in which the family name stands first, and those whose names are sorted as they are read.
const AS_READ = /\p{Script=Han}|\p{Script=Hiragana}|\p{Script=Katakana}|\p{Script=Hangul}|\p{Script=Thai}/u;

/** What a name is sorted by: its last word, then the others; in scripts that begin with the family, the whole of it. */
export function sortKey(name: string): string {
  const trimmed = name.trim();
  if (AS_READ.test(trimmed)) return trimmed;
  const words = trimmed.split(/\s+/u);
  if (words.length < 2) return trimmed;
  const family = words[words.length - 1];
  const given = words.slice(0, -1).filter((word) => !PARTICLES.test(word));
  return `${family} ${given.join(' ')}`;
}

/**
 * Rows with names sorted by family name in a language's order (BCP 47), each run by itself: the names of one role, or
 * names that follow one another. With `ids`, only runs that have one of them. Roles, headings and all else stay.
 */
export function sortNames(
  rows: readonly CreditRow[],
  language: string,
  ids: ReadonlySet<string> = new Set(),
): readonly CreditRow[] {
  const { compare } = new Intl.Collator(language === 'und' ? 'en' : language, { numeric: true });
  const next = [...rows];
  for (const run of runsOf(rows)) {
    if (ids.size > 0 && !run.some((i) => ids.has(rows[i].id))) continue;
    const order = run.toSorted((a, b) => compare(sortKey(nameOf(rows[a])), sortKey(nameOf(rows[b]))));
    run.forEach((i, k) => {
      // Rows go with their names; the role stays at the head of its names.
      const [here, row] = [rows[i], rows[order[k]]];
      const isRole = here.kind === 'role' && row.kind === 'role' && here.role !== row.role;
      next[i] = isRole ? { ...row, role: here.role } : row;
    });
  }
  return next.every((row, i) => row === rows[i]) ? rows : next;
}

const nameOf = (row: CreditRow): string => ('name' in row ? row.name : '');

/** The places of names that belong together. */
function runsOf(rows: readonly CreditRow[]): number[][] {
  const runs: number[][] = [];
  rows.forEach((row, i) => {
    const before = rows[i - 1];
    const goesOn =
      (row.kind === 'name' && before?.kind === 'name') ||
      (row.kind === 'role' && row.role === '' && before?.kind === 'role');
    if (goesOn) runs[runs.length - 1].push(i);
    else if (row.kind === 'name' || row.kind === 'role') runs.push([i]);
  });
  return runs.filter((run) => run.length > 1);
}
