import { cueSpans, plainWords, sliceSpans, spansToWords } from './cueMarks';

/** The words of a cue saying something else; marks stay on what is the same at both ends, and what is new looks as what it replaces. */
export function rewordCue(words: string, plain: string): string {
  const before = plainWords(words);
  if (before === plain) return words;
  const most = Math.min(before.length, plain.length);
  let head = 0;
  while (head < most && before[head] === plain[head]) head++;
  let tail = 0;
  while (tail < most - head && before[before.length - 1 - tail] === plain[plain.length - 1 - tail]) tail++;
  const spans = cueSpans(words);
  const text = plain.slice(head, plain.length - tail);
  const replaced = sliceSpans(spans, head, Math.max(head + 1, before.length - tail))[0] ?? spans.at(-1);
  const fresh = { italic: replaced?.italic ?? false, colour: replaced?.colour ?? null, text };
  return spansToWords([
    ...sliceSpans(spans, 0, head),
    ...(text === '' ? [] : [fresh]),
    ...(tail === 0 ? [] : sliceSpans(spans, before.length - tail)),
  ]);
}
