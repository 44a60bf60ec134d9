import { fileSlug } from '../kit/fileSlug';
import { InputError } from '../kit/inputError';

/** What a name of a file can be made from, in the order in which menus show it. */
export const NAME_TOKENS = [
  { id: 'number', label: 'Number', note: 'its place on the cue sheet, such as 004' },
  { id: 'words', label: 'First words', note: 'what its first text says' },
  { id: 'in', label: 'In point', note: 'its timecode, such as 10002512' },
  { id: 'template', label: 'Template', note: 'the name of its template' },
  { id: 'edition', label: 'Edition', note: 'the number of its edition' },
  { id: 'project', label: 'Project', note: 'the name of the project' },
  { id: 'delivery', label: 'Delivery', note: 'the name of the delivery' },
  { id: 'size', label: 'Size', note: 'such as 1920x1080' },
  { id: 'rate', label: 'Rate', note: 'such as 25p or 25i' },
  { id: 'id', label: 'Lasting id', note: 'stays when titles are added before it or moved' },
] as const;
type NameToken = (typeof NAME_TOKENS)[number]['id'];

/** What each token stands for in one file. */
export type NameFacts = Readonly<Record<NameToken, string>>;

/** How files are called where nothing else is said. */
export const USUAL_NAMES = '{number}-{words}';

/** So that names fit into every file system with what comes behind them. */
const MOST_LETTERS = 120;
export const MOST_PATTERN_LETTERS = 200;

// Names of devices, whatever their ending, where files are shared with such systems.
const DEVICES = /^(con|prn|aux|nul|com\d|lpt\d)$/i;

/** The name of a file by a pattern of words and tokens in braces. */
export type NamePattern = (facts: NameFacts) => string;

/**
 * Reads a pattern such as `{number}-{words}`. Tokens become letters, figures and hyphens; of the words between them
 * letters, figures, spaces, `.`, `_` and `-` stay, anything else is a hyphen. What is empty takes no separator with it.
 * Throws InputError for a pattern without a token, with an unknown one, or that is too long.
 */
export function parseNamePattern(pattern: string): NamePattern {
  const { parts, advice } = patternParts('File names', pattern, NAME_TOKENS);
  if (!parts.some((part) => part.id !== undefined))
    throw InputError.of('File names', 'a pattern with a token', pattern, advice);
  return (facts) => nameOf(parts, facts) || 'title';
}

/** What a folder can be named from, in the order in which menus show it. */
export const FOLDER_TOKENS = [
  { id: 'project', label: 'Project', note: 'the name of the project' },
  { id: 'delivery', label: 'Delivery', note: 'the name of the delivery' },
  { id: 'kind', label: 'Kind of file', note: 'such as mov-prores' },
  { id: 'size', label: 'Size', note: 'such as 1920x1080' },
  { id: 'rate', label: 'Rate', note: 'such as 25p or 25i' },
] as const;

/** What each token of folders stands for. */
type FolderFacts = Readonly<Record<(typeof FOLDER_TOKENS)[number]['id'], string>>;

/** Folders in folders, by a pattern. */
export type FolderPattern = (facts: FolderFacts) => string;

/** The folders where files of different deliveries and kinds never have one name. */
export const USUAL_FOLDERS = '{project}/{delivery}/{kind}';

/**
 * Reads a pattern of folders such as `{project}/{delivery}`, each named as files are. It never leads out of where it
 * begins: there is no `..`, and what would be empty is left out. Throws InputError as `parseNamePattern` does.
 */
export function parseFolderPattern(pattern: string): FolderPattern {
  const folders = pattern.split('/').map((one) => patternParts('Folder', one, FOLDER_TOKENS).parts);
  return (facts) =>
    folders
      .map((parts) => nameOf(parts, facts))
      .filter((name) => name !== '')
      .join('/');
}

interface PatternPart<Token extends string> {
  readonly id?: Token;
  readonly text: string;
}

function patternParts<Token extends string>(
  where: string,
  pattern: string,
  tokens: readonly { readonly id: Token }[],
): { readonly parts: readonly PatternPart<Token>[]; readonly advice: string } {
  const known = new Map<string, Token>(tokens.map(({ id }) => [id, id]));
  const advice = `There are ${tokens.map(({ id }) => `{${id}}`).join(', ')}.`;
  if (pattern.length > MOST_PATTERN_LETTERS)
    throw InputError.of(where, `at most ${MOST_PATTERN_LETTERS} letters`, String(pattern.length));
  const parts = [...pattern.matchAll(/\{([^{}]*)\}|[^{}]+|[{}]/g)].map(([text, token]) => {
    if (token === undefined && !/[{}]/.test(text)) return { text: allowed(text) };
    const id = known.get(token ?? '');
    if (id === undefined) throw InputError.of(where, 'a token that there is', text, advice);
    return { id, text: '' };
  });
  return { parts, advice };
}

/** A name by its parts; empty where nothing is left of it. */
function nameOf<Token extends string>(
  parts: readonly PatternPart<Token>[],
  facts: Readonly<Record<Token, string>>,
): string {
  const made = parts.map(({ id, text }) => (id === undefined ? text : fileSlug(facts[id])));
  const tidy = trimmed(made.join('').replace(/([-_ .])[-_ .]+/g, '$1'));
  const name = trimmed(Array.from(tidy).slice(0, MOST_LETTERS).join(''));
  return DEVICES.test(name) ? `${name}-title` : name;
}

const allowed = (text: string): string => text.normalize('NFC').replace(/[^\p{L}\p{M}\p{N} ._-]/gu, '-');

const trimmed = (name: string): string => name.replace(/^[-_ .]+|[-_ .]+$/g, '');

/**
 * Names of which no two are alike, also where large and small letters are one: of those that are, the first keeps its
 * name and the others get a figure. `alike` counts these.
 */
export function nameApart(names: readonly string[]): {
  readonly names: readonly string[];
  readonly alike: number;
} {
  const taken = new Set<string>();
  let alike = 0;
  const apart = names.map((name) => {
    let own = name;
    for (let figure = 2; taken.has(own.toLowerCase()); figure++) own = `${name}-${figure}`;
    taken.add(own.toLowerCase());
    if (own !== name) alike++;
    return own;
  });
  return { names: apart, alike };
}
