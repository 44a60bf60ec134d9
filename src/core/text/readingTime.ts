import type { ReadingRules } from '../model/rules';
import { FIRST_READING } from '../model/rules';

const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}]/gu;
const words = new Intl.Segmenter('und', { granularity: 'word' });

/**
 * Seconds that a viewer needs to read a text, never under the least; 0 for a text without letters or figures.
 * The larger of words and characters by their speeds, and the time to notice it; scripts without spaces go by
 * their own speed of characters.
 */
export function readingSeconds(text: string, rules: ReadingRules = FIRST_READING): number {
  const trimmed = text.trim();
  if (!/[\p{L}\p{N}]/u.test(trimmed)) return 0;
  const unspaced = trimmed.match(UNSPACED)?.length ?? 0;
  const spaced = trimmed.replace(UNSPACED, '');
  let wordCount = 0;
  for (const part of words.segment(spaced)) if (part.isWordLike === true) wordCount++;
  const characters = Array.from(spaced.replace(/\s+/g, ' ').trim()).length;
  const needed = Math.max(wordCount / rules.wordsPerSecond, characters / rules.charactersPerSecond);
  return Math.max(rules.leastSeconds, needed + unspaced / rules.unspacedPerSecond + rules.noticeSeconds);
}
