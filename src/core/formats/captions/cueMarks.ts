import { createRegistry } from '../../kit/registry';

/** The colours that caption formats have by name: the classes of WebVTT, which are those of teletext. */
export const CUE_COLOURS = createRegistry('caption colour', [
  { id: 'white', label: 'White', colour: '#ffffff' },
  { id: 'yellow', label: 'Yellow', colour: '#ffff00' },
  { id: 'cyan', label: 'Cyan', colour: '#00ffff' },
  { id: 'lime', label: 'Green', colour: '#00ff00' },
  { id: 'magenta', label: 'Magenta', colour: '#ff00ff' },
  { id: 'red', label: 'Red', colour: '#ff0000' },
  { id: 'blue', label: 'Blue', colour: '#0000ff' },
  { id: 'black', label: 'Black', colour: '#000000' },
]);

/** A stretch of a cue's words that looks one way. */
export interface CueSpan {
  readonly text: string;
  readonly italic: boolean;
  /** null for the colour of the template. */
  readonly colour: string | null;
}

// A part of WebVTT's cue text: `<i>` and `<c.yellow>`. Everything else is words, a lone `<` as well.
const MARK = /<(\/?)(?:(i)|c(?:\.([a-z]+))?)>/g;

/**
 * The words of a cue in stretches that look alike, line ends within them. A mark that is never closed counts to the
 * end, one that closes nothing is dropped, and a colour that nobody knows is the template's.
 */
export function cueSpans(words: string): CueSpan[] {
  const spans: CueSpan[] = [];
  const colours: (string | null)[] = [];
  let [italics, at] = [0, 0];
  const take = (text: string): void => {
    if (text !== '') spans.push({ text, italic: italics > 0, colour: colours.at(-1) ?? null });
  };
  for (const mark of words.matchAll(MARK)) {
    take(words.slice(at, mark.index));
    at = mark.index + mark[0].length;
    const [, closes, italic, colour = ''] = mark;
    if (italic !== undefined) italics = closes === '' ? italics + 1 : Math.max(0, italics - 1);
    else if (closes !== '') colours.pop();
    else colours.push(CUE_COLOURS.find(colour)?.id ?? null);
  }
  take(words.slice(at));
  return joined(spans);
}

/** Stretches as the words of a cue; the inverse of `cueSpans` but for words that read like marks. */
export function spansToWords(spans: readonly CueSpan[]): string {
  return joined(spans)
    .map(({ text, italic, colour }) => {
      const inner = italic ? `<i>${text}</i>` : text;
      return colour === null ? inner : `<c.${colour}>${inner}</c>`;
    })
    .join('');
}

/** Stretches that look alike and follow one another as one. */
function joined(spans: readonly CueSpan[]): CueSpan[] {
  const all: CueSpan[] = [];
  for (const span of spans) {
    const last = all.at(-1);
    if (last !== undefined && last.italic === span.italic && last.colour === span.colour)
      all[all.length - 1] = { ...last, text: last.text + span.text };
    else all.push(span);
  }
  return all;
}

/** What a cue says, without marks. */
export function plainWords(words: string): string {
  return words.replace(MARK, '');
}

/** The lines of a cue, without marks; none for a cue without words. */
export function plainLines(words: string): string[] {
  const plain = plainWords(words);
  return plain.trim() === '' ? [] : plain.split('\n');
}

/** A part of stretches, by the characters of what they say. */
export function sliceSpans(spans: readonly CueSpan[], from: number, to = Infinity): CueSpan[] {
  let at = 0;
  return spans.flatMap((span) => {
    const [start, end] = [Math.max(0, from - at), Math.max(0, to - at)];
    at += span.text.length;
    const text = span.text.slice(start, end);
    return text === '' ? [] : [{ ...span, text }];
  });
}

/** Stretches with other white space: `change` gives what stands in place of each character of what they say. */
export function mapSpans(spans: readonly CueSpan[], change: (at: number, own: string) => string): CueSpan[] {
  let at = 0;
  return spans.map((span) => ({
    ...span,
    text: Array.from({ length: span.text.length }, (_, i) => change(at++, span.text[i])).join(''),
  }));
}

/** The place in what a cue says that a place among its words and marks stands for. */
export function plainIndex(words: string, at: number): number {
  let marks = 0;
  for (const mark of words.matchAll(MARK)) {
    if (mark.index >= at) break;
    marks += Math.min(mark[0].length, at - mark.index);
  }
  return at - marks;
}

/** The named colour nearest to one of any channels (0 to 255 each). */
export function nearestCueColour(red: number, green: number, blue: number): string {
  const far = ({ colour }: { readonly colour: string }): number => {
    const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
    return (r - red) ** 2 + (g - green) ** 2 + (b - blue) ** 2;
  };
  return CUE_COLOURS.list.reduce((best, one) => (far(one) < far(best) ? one : best)).id;
}
