import { doubleMetaphone } from 'double-metaphone';

/** What the letters of a script are written for one another: spellings of one name that differ in these alone are one. */
const ARABIC: readonly (readonly [RegExp, string])[] = [
  // Short vowels, doubling and the stretching bar are often left out.
  [/[\u064B-\u0652\u0670\u0640]/gu, ''],
  [/[أإآٱ]/gu, 'ا'],
  [/[ىئ]/gu, 'ي'],
  [/ؤ/gu, 'و'],
  [/ة/gu, 'ه'],
  [/ء/gu, ''],
];
const DEVANAGARI: readonly (readonly [RegExp, string])[] = [
  // The dot for sounds from elsewhere, and the two signs of a nasal.
  [/\u093C/gu, ''],
  [/\u0901/gu, '\u0902'],
  // Long and short i and u.
  [/\u0940/gu, '\u093F'],
  [/\u0942/gu, '\u0941'],
  [/ई/gu, 'इ'],
  [/ऊ/gu, 'उ'],
  // A nasal before its own consonant may be written as the sign.
  [/[ङञणनम]\u094D(?=[क-म])/gu, '\u0902'],
];
const CYRILLIC: readonly (readonly [RegExp, string])[] = [
  [/ё/gu, 'е'],
  [/й/gu, 'и'],
  [/[ъь]/gu, ''],
];

/**
 * How a name sounds, so that two spellings of one name have the same: Latin names by their consonants (Double
 * Metaphone, without accents), Arabic, Devanagari and Cyrillic ones without the letters that are written for one another,
 * all others as they are. Empty for a word without letters.
 */
export function soundOf(name: string): string {
  const plain = name.toLocaleLowerCase('und').normalize('NFC');
  if (/\p{Script=Arabic}/u.test(plain)) return replaced(plain, ARABIC);
  if (/\p{Script=Devanagari}/u.test(plain)) return replaced(plain, DEVANAGARI);
  if (/\p{Script=Cyrillic}/u.test(plain)) return replaced(plain, CYRILLIC);
  const bare = plain
    .replaceAll('ß', 'ss')
    .replaceAll('ø', 'o')
    .replaceAll('æ', 'ae')
    .replaceAll('ł', 'l')
    .normalize('NFD')
    .replace(/\p{M}/gu, '');
  if (!/^[a-z'’‐-]+$/u.test(bare)) return bare;
  // Its 0 is the th that many languages say as t.
  const sound = doubleMetaphone(bare)[0].replaceAll('0', 'T');
  return sound === '' ? bare : sound;
}

function replaced(text: string, pairs: readonly (readonly [RegExp, string])[]): string {
  return pairs.reduce((now, [letters, by]) => now.replace(letters, by), text);
}
