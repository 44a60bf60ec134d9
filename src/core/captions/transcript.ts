import type { CaptionRules, Cue } from '../model/captions';
import { LONGEST_CUE, newCue } from '../model/captions';
import { countGraphemes } from '../text/graphemes';
import type { FrameRate } from '../time/rates';
import { breakLines } from './breakLines';
import { framesFor, keepApart } from './timeCues';

interface Said {
  readonly speaker: string;
  readonly words: string;
}

// "NELL:" or "Nell Harrowgate:" before what she says; a time such as 10:30 is no name.
const SPEAKER = /^\s*(\p{Lu}[\p{L}\p{M}.'’ -]{0,38}[\p{L}\p{M}.]|\p{Lu}):\s+(?=\S)/u;

/**
 * A transcript as cues that wait for their times: paragraphs are parted at sentences, then at clauses, then at words, so
 * that each part fits the lines of a cue. A name and a colon before a paragraph is its speaker. Times are made of the
 * reading speed, from a frame on.
 */
export function transcriptToCues(
  text: string,
  {
    trackId,
    fromFrame,
    rules,
    language,
    rate,
    newId,
  }: {
    readonly trackId: string;
    readonly fromFrame: number;
    readonly rules: CaptionRules;
    readonly language: string;
    readonly rate: FrameRate;
    readonly newId: () => string;
  },
): Cue[] {
  let at = fromFrame;
  return text.split(/\n\s*\n|\r\n\s*\r\n/).flatMap((paragraph) => {
    const { speaker, words } = saidIn(paragraph);
    return partsOf(words, rules).map((part) => {
      const lengthFrames = framesFor(countGraphemes(part), rules, rate);
      const cue = newCue({
        id: newId(),
        trackId,
        startFrame: at,
        lengthFrames,
        words: breakLines(part, rules, language),
        speaker,
        guessed: true,
      });
      at += lengthFrames + rules.gapFrames;
      return cue;
    });
  });
}

function saidIn(paragraph: string): Said {
  const [whole = '', name = ''] = SPEAKER.exec(paragraph) ?? [];
  return { speaker: name.slice(0, 80), words: paragraph.slice(whole.length).replace(/\s+/g, ' ').trim() };
}

const SENTENCES = /(?<=[.!?…।。؟！？]["'”’»)]*)\s+/u;
const CLAUSES = /(?<=[,;:–—،、，؛])\s+/u;

/** Words in parts that fit a cue each: a sentence, or what fits of its clauses, else words, else letters. */
function partsOf(words: string, rules: CaptionRules): string[] {
  const most = Math.min(LONGEST_CUE, rules.mostLines * rules.charactersPerLine);
  const pack = (text: string, seams: readonly RegExp[]): string[] => {
    if (countGraphemes(text) <= most) return text === '' ? [] : [text];
    const [seam, ...finer] = seams;
    if (seam === undefined) return inLetters(text, most);
    const parts: string[] = [];
    for (const piece of text.split(seam).flatMap((one) => pack(one, finer))) {
      const last = parts.at(-1);
      const joined = last === undefined ? piece : `${last} ${piece}`;
      // Short sentences share a line; a longer one has a cue of its own.
      const room = seam === SENTENCES ? rules.charactersPerLine : most;
      if (last !== undefined && countGraphemes(joined) <= room) parts[parts.length - 1] = joined;
      else parts.push(piece);
    }
    return parts;
  };
  return pack(words, [SENTENCES, CLAUSES, /\s+/u]);
}

function inLetters(text: string, most: number): string[] {
  const letters = Array.from(text);
  return Array.from({ length: Math.ceil(letters.length / most) }, (_, i) =>
    letters.slice(i * most, (i + 1) * most).join(''),
  );
}

/** The cue of a track that is tapped next: the first whose time nobody has set. */
export function nextToTap(track: readonly Cue[]): Cue | undefined {
  return track.find(({ guessed }) => guessed);
}

/**
 * A track with its next cue coming at a frame; the one before ends there if it would go on. Those that still wait come
 * after it in their reading times. The same track where none waits.
 */
export function tapCue(track: readonly Cue[], frame: number, rules: CaptionRules): readonly Cue[] {
  const next = nextToTap(track);
  if (next === undefined) return track;
  const timed = track.filter(({ guessed }) => !guessed);
  let at = frame;
  const waiting = track
    .filter(({ guessed }) => guessed)
    .map((cue) => {
      const moved = { ...cue, startFrame: at, guessed: cue.id !== next.id };
      at += cue.lengthFrames + rules.gapFrames;
      return moved;
    });
  const before = keepApart([...timed.filter((cue) => cue.startFrame < frame), waiting[0]], rules.gapFrames);
  const after = timed.filter((cue) => cue.startFrame >= frame);
  return [...before, ...waiting.slice(1), ...after].toSorted((a, b) => a.startFrame - b.startFrame);
}

/** A track with a cue ending at a frame; the same where the frame is not after its start. */
export function endCueAt(track: readonly Cue[], id: string, frame: number): readonly Cue[] {
  return track.map((cue) =>
    cue.id === id && frame > cue.startFrame ? { ...cue, lengthFrames: frame - cue.startFrame } : cue,
  );
}
