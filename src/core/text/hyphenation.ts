import createHyphenator from 'hyphen';
import type { HyphenRules } from 'hyphen';

/**
 * The patterns that words are parted by, by language (BCP 47): those of the TeX hyphenation project, by their names in
 * the package `hyphen`. A language that is not there is not parted; Thai has its breaks from `lineBreaks`.
 */
const PATTERNS: Readonly<Record<string, string>> = {
  af: 'af',
  be: 'be',
  bg: 'bg',
  bn: 'bn',
  ca: 'ca',
  cs: 'cs',
  cy: 'cy',
  da: 'da',
  de: 'de-1996',
  el: 'el-monoton',
  en: 'en-us',
  'en-GB': 'en-gb',
  'en-AU': 'en-gb',
  'en-IE': 'en-gb',
  'en-NZ': 'en-gb',
  es: 'es',
  et: 'et',
  eu: 'eu',
  fi: 'fi',
  fr: 'fr',
  ga: 'ga',
  gl: 'gl',
  hi: 'hi',
  hr: 'hr',
  hu: 'hu',
  hy: 'hy',
  id: 'id',
  is: 'is',
  it: 'it',
  ka: 'ka',
  lt: 'lt',
  lv: 'lv',
  mk: 'mk',
  nb: 'nb',
  nl: 'nl',
  nn: 'nn',
  no: 'nb',
  pl: 'pl',
  pt: 'pt',
  ro: 'ro',
  ru: 'ru',
  sk: 'sk',
  sl: 'sl',
  sq: 'sq',
  sr: 'sr-cyrl',
  'sr-Latn': 'sh-latn',
  sv: 'sv',
  ta: 'ta',
  tr: 'tr',
  uk: 'uk',
};

/** The name of the patterns for a language: of the tag itself, else of what it begins with; null where there are none. */
export function hyphenPatternsFor(language: string): string | null {
  for (let tag = language; tag !== ''; tag = tag.slice(0, Math.max(0, tag.lastIndexOf('-')))) {
    const found = Object.hasOwn(PATTERNS, tag) ? PATTERNS[tag] : undefined;
    if (found !== undefined) return found;
  }
  return null;
}

// Usual practice: a word that is shorter stays whole, and so much of one stays before and after a hyphen.
const SHORTEST_WORD = 6;
const BEFORE = 2;
const AFTER = 3;
// No character of any text (Unicode reserves it), so that every one that comes back is a place.
const PLACE = '\ufdd0';
const NOT_LETTERS = /[^\p{L}\p{M}]/u;

/** Where the words of a text may be parted with a hyphen, as UTF-16 positions in order, by the patterns of its language. */
export function hyphenPlaces(text: string, rules: HyphenRules): number[] {
  const parted = parterOf(rules)(text);
  const places: number[] = [];
  let at = 0;
  for (const character of parted) {
    if (character !== PLACE) at += character.length;
    else if (isWithin(text, at)) places.push(at);
  }
  return places;
}

/** Whether enough letters of one word stand on both sides of a place. */
function isWithin(text: string, at: number): boolean {
  const [before, after] = [text.slice(Math.max(0, at - BEFORE), at), text.slice(at, at + AFTER)];
  return before.length === BEFORE && after.length === AFTER && !NOT_LETTERS.test(before + after);
}

const parters = new WeakMap<HyphenRules, (text: string) => string>();

function parterOf(rules: HyphenRules): (text: string) => string {
  const made =
    parters.get(rules) ?? createHyphenator(rules, { hyphenChar: PLACE, minWordLength: SHORTEST_WORD });
  parters.set(rules, made);
  return made;
}
