import type { Field } from '@/core/model/template';

// A box of one line shows about so many letters.
const ONE_LINE = 60;

/** Whether a field's words need a box of several lines: it may have more of them than one line shows, or has them already. */
export function takesLines({ kind, limits: { maxLines, maxLength = 0 } }: Field, words: string): boolean {
  if (kind === 'rows' || words.includes('\n')) return true;
  if (kind !== 'text') return false;
  return maxLines === undefined ? maxLength > ONE_LINE : maxLines > 1;
}
