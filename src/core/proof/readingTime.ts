// Reading speeds of subtitling practice: words and characters a second, and a moment to notice the title.
const WORDS_PER_SECOND = 2.7;
const CHARACTERS_PER_SECOND = 15;
const UNSPACED_CHARACTERS_PER_SECOND = 8;
const NOTICE_SECONDS = 0.7;
const LEAST_SECONDS = 2;

const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}]/gu;
const words = new Intl.Segmenter('und', { granularity: 'word' });

/**
 * Seconds that a viewer needs to read a text, never under 2; 0 for a text without letters or figures.
 * The larger of words ÷ 2.7 and characters ÷ 15, and 0.7 s to notice it; scripts without spaces go by
 * characters ÷ 8.
 */
export function readingSeconds(text: string): number {
  const trimmed = text.trim();
  if (!/[\p{L}\p{N}]/u.test(trimmed)) return 0;
  const unspaced = trimmed.match(UNSPACED)?.length ?? 0;
  const spaced = trimmed.replace(UNSPACED, '');
  let wordCount = 0;
  for (const part of words.segment(spaced)) if (part.isWordLike === true) wordCount++;
  const characters = Array.from(spaced.replace(/\s+/g, ' ').trim()).length;
  const needed = Math.max(wordCount / WORDS_PER_SECOND, characters / CHARACTERS_PER_SECOND);
  return Math.max(LEAST_SECONDS, needed + unspaced / UNSPACED_CHARACTERS_PER_SECOND + NOTICE_SECONDS);
}
