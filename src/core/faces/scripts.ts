/** The scripts that runs are told apart by: Unicode's name (UAX 24) and the tag of ISO 15924. */
const SCRIPTS = [
  ['Latin', 'Latn'],
  ['Greek', 'Grek'],
  ['Cyrillic', 'Cyrl'],
  ['Armenian', 'Armn'],
  ['Hebrew', 'Hebr'],
  ['Arabic', 'Arab'],
  ['Syriac', 'Syrc'],
  ['Thaana', 'Thaa'],
  ['Nko', 'Nkoo'],
  ['Devanagari', 'Deva'],
  ['Bengali', 'Beng'],
  ['Gurmukhi', 'Guru'],
  ['Gujarati', 'Gujr'],
  ['Oriya', 'Orya'],
  ['Tamil', 'Taml'],
  ['Telugu', 'Telu'],
  ['Kannada', 'Knda'],
  ['Malayalam', 'Mlym'],
  ['Sinhala', 'Sinh'],
  ['Thai', 'Thai'],
  ['Lao', 'Laoo'],
  ['Tibetan', 'Tibt'],
  ['Myanmar', 'Mymr'],
  ['Georgian', 'Geor'],
  ['Hangul', 'Hang'],
  ['Ethiopic', 'Ethi'],
  ['Cherokee', 'Cher'],
  ['Khmer', 'Khmr'],
  ['Mongolian', 'Mong'],
  ['Hiragana', 'Hira'],
  ['Katakana', 'Kana'],
  ['Bopomofo', 'Bopo'],
  ['Han', 'Hani'],
  ['Yi', 'Yiii'],
  ['Tifinagh', 'Tfng'],
  ['Javanese', 'Java'],
  ['Balinese', 'Bali'],
] as const;

/** What is used with any script, such as figures and punctuation. */
export const COMMON = 'Zyyy';
const OTHER = 'Zzzz';
const tests = SCRIPTS.map(([name, tag]) => ({ tag, is: new RegExp(`^\\p{Script=${name}}$`, 'u') }));
const ANY = /^[\p{Script=Common}\p{Script=Inherited}]$/u;
const known = new Map<number, string>();

/** The script of a character by its ISO 15924 tag; `Zyyy` for what goes with any script. */
export function scriptOf(codePoint: number): string {
  const before = known.get(codePoint);
  if (before !== undefined) return before;
  const character = String.fromCodePoint(codePoint);
  const own = ANY.test(character) ? COMMON : (tests.find(({ is }) => is.test(character))?.tag ?? OTHER);
  known.set(codePoint, own);
  return own;
}

/** The name of a script in Unicode by its tag; undefined for one that runs are not told apart by. */
export function scriptName(tag: string): string | undefined {
  return SCRIPTS.find(([, known]) => known === tag)?.[0];
}

/** The tag of a script by its name in Unicode; `Zzzz` for one that runs are not told apart by. */
export function scriptTag(name: string): string {
  return SCRIPTS.find(([known]) => known === name)?.[1] ?? OTHER;
}

// Of ASCII the letters are Latin, and all else goes with any script.
const LATIN_ALONE = /^[^A-Za-z\u0080-\uffff]*[A-Za-z][^\u0080-\uffff]*$/;

const PAIRS = ['()', '[]', '{}', '«»', '‹›', '“”', '‘’', '⟨⟩', '（）', '「」', '『』', '【】'];
const OPENER = new Map(PAIRS.map(([open, close]) => [close, open]));
const CLOSER = new Map(PAIRS.map(([open, close]) => [open, close]));

/**
 * The script of each UTF-16 position of a text. What goes with any script takes that of what stands before it, at the
 * beginning that of what follows; a closing bracket takes its opening one's (UAX 24, section 5.1 and 5.2).
 */
export function resolveScripts(text: string): string[] {
  if (LATIN_ALONE.test(text)) return new Array<string>(text.length).fill('Latn');
  const scripts: string[] = [];
  const open: { readonly character: string; readonly script: string }[] = [];
  let current = COMMON;
  for (const character of text) {
    const own = scriptOf(character.codePointAt(0) ?? 0);
    let script = own;
    if (own === COMMON) {
      const opener = open.findLastIndex((one) => one.character === OPENER.get(character));
      script = opener >= 0 ? open[opener].script : current;
      if (opener >= 0) open.length = opener;
      if (CLOSER.has(character)) open.push({ character, script });
    }
    if (current === COMMON && script !== COMMON) {
      scripts.fill(script);
      open.forEach((one, i) => (open[i] = { ...one, script }));
    }
    for (let i = 0; i < character.length; i++) scripts.push(script);
    current = script;
  }
  return scripts;
}
