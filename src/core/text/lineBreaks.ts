import LineBreaker from 'linebreak';

// Thai is written without spaces between words, so that UAX 14 (class SA) leaves its breaks to a dictionary. ICU's parts it
// alike on the server and in the browser; its Lao and Burmese differ from one version to the next, so those stay whole.
const THAI = /\p{Script=Thai}+/gu;
// UAX 14 would part Korean between any two syllables; it is read, and broken, by words.
const HANGUL = /\p{Script=Hangul}/u;
const words = new Intl.Segmenter('th', { granularity: 'word' });

/**
 * Where a line of a text may end, as UTF-16 positions in order, the end of the text among them: where UAX 14 allows it,
 * but not inside Korean words, and between Thai words as the platform's dictionary (ICU) parts them.
 */
export function lineBreaks(text: string): number[] {
  const places: number[] = [];
  const breaker = new LineBreaker(text);
  for (let next = breaker.nextBreak(); next !== null; next = breaker.nextBreak()) {
    const { position } = next;
    const inWord = HANGUL.test(text[position - 1] ?? '') && HANGUL.test(text[position] ?? '');
    if (!inWord) places.push(position);
  }
  const inside = [...text.matchAll(THAI)].flatMap(({ index, 0: run }) =>
    Array.from(words.segment(run), (word) => index + word.index).slice(1),
  );
  return inside.length === 0 ? places : [...new Set([...places, ...inside])].sort((a, b) => a - b);
}
