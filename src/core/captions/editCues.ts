import { cueSpans, plainIndex, plainWords, sliceSpans, spansToWords } from '../formats/captions/cueMarks';
import type { Cue } from '../model/captions';
import type { CaptionRules } from '../model/captions';
import { endOf } from '../project/lanes';
import { countGraphemes } from '../text/graphemes';
import { breakLines } from './breakLines';

/** A cue with some of it changed. */
export function changeCues(
  cues: readonly Cue[],
  ids: ReadonlySet<string>,
  change: (cue: Cue) => Cue,
): readonly Cue[] {
  return cues.map((cue) => (ids.has(cue.id) ? change(cue) : cue));
}

/**
 * A cue in two at a place among its words (as they are written, marks and all): its time is shared by their characters,
 * each gets a frame at least. null where one of the two would have no words, or there is no time for two.
 */
export function splitCue(cue: Cue, at: number, newId: string): readonly [Cue, Cue] | null {
  const spans = cueSpans(cue.words);
  const cut = plainIndex(cue.words, at);
  const plain = plainWords(cue.words);
  const [head, tail] = [plain.slice(0, cut).trimEnd(), plain.slice(cut).trimStart()];
  if (head.trim() === '' || tail.trim() === '' || cue.lengthFrames < 2) return null;
  const share = countGraphemes(head) / (countGraphemes(head) + countGraphemes(tail));
  const first = Math.max(1, Math.min(cue.lengthFrames - 1, Math.round(cue.lengthFrames * share)));
  return [
    { ...cue, words: spansToWords(sliceSpans(spans, 0, head.length)), lengthFrames: first },
    {
      ...cue,
      id: newId,
      words: spansToWords(sliceSpans(spans, plain.length - tail.length)),
      startFrame: cue.startFrame + first,
      lengthFrames: cue.lengthFrames - first,
    },
  ];
}

/**
 * Cues that follow one another as one, from the first's start to the last's end. What one speaker says is broken into
 * lines anew; two speakers have a line each, with a dash before it.
 */
export function mergeCues(cues: readonly Cue[], rules: CaptionRules, language: string): Cue | null {
  const [first] = cues;
  if (first === undefined) return null;
  const end = Math.max(...cues.map(endOf));
  const said = cues.filter(({ words }) => plainWords(words).trim() !== '');
  const speakers = new Set(said.map(({ speaker }) => speaker));
  const words =
    speakers.size > 1
      ? said.map((cue) => dashed(cue.words.replace(/\s*\n\s*/g, ' '))).join('\n')
      : breakLines(said.map((cue) => cue.words).join('\n'), rules, language);
  return {
    ...first,
    words,
    speaker: speakers.size > 1 ? '' : (said[0]?.speaker ?? first.speaker),
    lengthFrames: end - first.startFrame,
    forced: cues.every(({ forced }) => forced),
    guessed: cues.some(({ guessed }) => guessed),
  };
}

const dashed = (words: string): string => (/^[–—-]/.test(plainWords(words)) ? words : `– ${words}`);

/** The words with a part of them (as they are written) in or out of italics, or in a colour, `null` for the template's. */
export function markWords(
  words: string,
  from: number,
  to: number,
  mark: { readonly kind: 'italic' } | { readonly kind: 'colour'; readonly colour: string | null },
): string {
  const spans = cueSpans(words);
  const all = from === to;
  const [start, end] = all ? [0, Infinity] : [plainIndex(words, from), plainIndex(words, to)];
  const inside = sliceSpans(spans, start, end);
  const italic = !inside.every((span) => span.italic);
  const marked = inside.map((span) =>
    mark.kind === 'italic' ? { ...span, italic } : { ...span, colour: mark.colour },
  );
  const outer = [...sliceSpans(spans, 0, start), ...marked, ...(all ? [] : sliceSpans(spans, end))];
  return spansToWords(outer);
}
