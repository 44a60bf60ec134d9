import * as yup from 'yup';
import { wellFormedText } from '../kit/wellFormed';

/** How long the name of a folder can be, and how many can lie in one another. */
const LONGEST_FOLDER = 40;
const MOST_DEEP = 5;

/** What parts the names of folders that lie in one another. */
const WITHIN = '/';

/** A folder as it is typed: names parted by slashes, each without spaces round it; empty for none. */
export function readFolder(typed: string): string {
  const names = typed.split(WITHIN).map((name) => wellFormedText(name.trim().replace(/\s+/g, ' ')));
  return names.filter((name) => name !== '').join(WITHIN);
}

/** The names of the folders that a folder lies in, itself last; none for the empty one. */
export function folderNames(folder: string): readonly string[] {
  return folder === '' ? [] : folder.split(WITHIN);
}

/** Why a folder cannot be called so; null where it can. */
export function folderFault(folder: string): string | null {
  const names = folderNames(folder);
  if (names.length > MOST_DEEP) return `at most ${MOST_DEEP} folders in one another`;
  if (names.some((name) => name.length > LONGEST_FOLDER))
    return `names of at most ${LONGEST_FOLDER} characters`;
  return null;
}

/** A folder as it is kept; empty for none. */
export const folderSchema = yup
  .string()
  .defined()
  .test('folder', 'a folder: names parted by slashes', (folder) => readFolder(folder) === folder)
  .test(
    'size',
    `at most ${MOST_DEEP} folders in one another, names of at most ${LONGEST_FOLDER} characters`,
    (folder) => folderFault(folder) === null,
  );

/** Whether a folder is another one or lies in it; everything lies in the empty one. */
export function isWithinFolder(folder: string, other: string): boolean {
  return other === '' || folder === other || folder.startsWith(`${other}${WITHIN}`);
}

const BY_NAME = new Intl.Collator('und', { sensitivity: 'base', numeric: true });

/** All folders that something is in, and those that these lie in, each before what lies in it, by name. */
export function allFolders(used: Iterable<string>): readonly string[] {
  const all = new Set<string>();
  for (const folder of used)
    folderNames(folder).forEach((_, i, names) => all.add(names.slice(0, i + 1).join(WITHIN)));
  return [...all].toSorted((a, b) => {
    const [as, bs] = [folderNames(a), folderNames(b)];
    const i = as.findIndex((name, at) => name !== bs[at]);
    if (i === -1) return as.length - bs.length;
    return bs[i] === undefined ? 1 : BY_NAME.compare(as[i], bs[i]) || (as[i] < bs[i] ? -1 : 1);
  });
}
