const FIGURE = /^\p{Nd}$/u;
const FIGURES = 10;
const ALPHABETS = ['abcdefghijklmnopqrstuvwxyz', 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];

/**
 * The figure or letter that stands so many before one in its order, round and round: of the same figures, or of the
 * basic Latin letters in the same case, for which an accent does not count. Null for what has no such order, and for
 * more than one character.
 */
export function leafBefore(text: string, back: number): string | null {
  if (FIGURE.test(text)) {
    const code = text.codePointAt(0) ?? 0;
    const zero = code - figureOf(code);
    return String.fromCodePoint(zero + cyclic(code - zero - back, FIGURES));
  }
  const [letter = '', ...marks] = text.normalize('NFD');
  if (marks.some((mark) => !/\p{M}/u.test(mark))) return null;
  const alphabet = ALPHABETS.find((one) => one.includes(letter));
  if (letter === '' || alphabet === undefined) return null;
  return alphabet[cyclic(alphabet.indexOf(letter) - back, alphabet.length)];
}

/** What a decimal figure is worth: those of a script follow one another from its nought (Unicode, section 4.6). */
function figureOf(code: number): number {
  let worth = 0;
  while (FIGURE.test(String.fromCodePoint(code - worth - 1))) worth++;
  return worth % FIGURES;
}

const cyclic = (at: number, count: number): number => ((at % count) + count) % count;
