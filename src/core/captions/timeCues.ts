import { plainWords } from '../formats/captions/cueMarks';
import type { CaptionRules, Cue } from '../model/captions';
import { endOf } from '../project/lanes';
import { countGraphemes } from '../text/graphemes';
import type { FrameRate } from '../time/rates';
import { frameToSeconds, secondsToNearestFrames } from '../time/rates';

/** All cues that are meant, some frames later, or earlier when negative; none goes before the start, so all go less far then. */
export function shiftCues(cues: readonly Cue[], ids: ReadonlySet<string>, by: number): readonly Cue[] {
  const first = cues.reduce(
    (least, cue) => (ids.has(cue.id) ? Math.min(least, cue.startFrame) : least),
    Infinity,
  );
  const step = Math.max(by, -first);
  return step === 0 || first === Infinity
    ? cues
    : cues.map((cue) => (ids.has(cue.id) ? { ...cue, startFrame: cue.startFrame + step } : cue));
}

/** The cues that are meant with their ins and outs at other frames; each lasts one frame at least. */
function withTimes(
  cues: readonly Cue[],
  ids: ReadonlySet<string>,
  at: (frame: number) => number,
): readonly Cue[] {
  return cues.map((cue) => {
    if (!ids.has(cue.id)) return cue;
    const startFrame = at(cue.startFrame);
    return { ...cue, startFrame, lengthFrames: Math.max(1, at(endOf(cue)) - startFrame) };
  });
}

/** A moment, and the one that it should be at. */
export interface KnownMoment {
  readonly fromFrame: number;
  readonly toFrame: number;
}

/**
 * The cues that are meant, their times stretched so that two moments come to where they should be; what lies before,
 * between and after them follows evenly. null where the two moments are one, or would change their order.
 */
export function stretchCues(
  cues: readonly Cue[],
  ids: ReadonlySet<string>,
  a: KnownMoment,
  b: KnownMoment,
): readonly Cue[] | null {
  const [from, to] = [b.fromFrame - a.fromFrame, b.toFrame - a.toFrame];
  if (from === 0 || to / from <= 0) return null;
  const at = (frame: number): number =>
    Math.max(0, Math.round(a.toFrame + ((frame - a.fromFrame) * to) / from));
  return withTimes(cues, ids, at);
}

/** The cues that are meant, made for another rate and played at this one: frame for frame, so their time is stretched. */
export function convertCues(
  cues: readonly Cue[],
  ids: ReadonlySet<string>,
  madeFor: FrameRate,
  playedAt: FrameRate,
): readonly Cue[] {
  const up = madeFor.numerator * playedAt.denominator;
  const down = madeFor.denominator * playedAt.numerator;
  const at = (frame: number): number => Math.round((frame * up) / down);
  return withTimes(cues, ids, at);
}

type TimingRules = Pick<CaptionRules, 'gapFrames' | 'cutFrames'>;

/**
 * The cues of one track that are meant, in order, with starts and ends that are near a cut put to it: a start at most so
 * many frames from a cut goes there, an end goes to the gap before it. A cue that would be no longer than that stays.
 */
export function snapToCuts(
  track: readonly Cue[],
  ids: ReadonlySet<string>,
  cuts: readonly number[],
  { cutFrames, gapFrames }: TimingRules,
): readonly Cue[] {
  const near = (frame: number): number | undefined =>
    cuts
      .filter((cut) => Math.abs(cut - frame) < cutFrames)
      .toSorted((a, b) => Math.abs(a - frame) - Math.abs(b - frame))[0];
  const moved = track.map((cue) => {
    if (!ids.has(cue.id)) return cue;
    const start = near(cue.startFrame) ?? cue.startFrame;
    const cut = near(endOf(cue));
    const end = cut === undefined ? endOf(cue) : cut - gapFrames;
    return end - start <= gapFrames ? cue : { ...cue, startFrame: start, lengthFrames: end - start };
  });
  return keepApart(moved, gapFrames);
}

/** The cues of one track in order, each ending so long before the next; one that would have no time left is as it was. */
export function keepApart(track: readonly Cue[], gapFrames: number): readonly Cue[] {
  return track.map((cue, i) => {
    const next = track[i + 1];
    if (next === undefined || endOf(cue) + gapFrames <= next.startFrame) return cue;
    const lengthFrames = next.startFrame - gapFrames - cue.startFrame;
    return lengthFrames < 1 ? cue : { ...cue, lengthFrames };
  });
}

/**
 * The cues of one track that are meant, in order, with the gaps behind them as they should be: a smaller one than the
 * least is opened to it, one below a limit (in frames) is filled up to it.
 */
export function tidyGaps(
  track: readonly Cue[],
  ids: ReadonlySet<string>,
  { gapFrames }: Pick<CaptionRules, 'gapFrames'>,
  fillBelowFrames: number,
): readonly Cue[] {
  const kept = new Map(keepApart(track, gapFrames).map((cue) => [cue.id, cue]));
  return track.map((cue, i) => {
    if (!ids.has(cue.id)) return cue;
    const next = track[i + 1];
    const apart = kept.get(cue.id) ?? cue;
    if (next === undefined) return apart;
    const gap = next.startFrame - endOf(apart);
    return gap > gapFrames && gap < fillBelowFrames
      ? { ...apart, lengthFrames: next.startFrame - gapFrames - apart.startFrame }
      : apart;
  });
}

/** How long words take at a speed, in frames, within the shortest and longest that a cue lasts. */
export function framesFor(characters: number, rules: CaptionRules, rate: FrameRate): number {
  const seconds = Math.max(
    rules.shortestSeconds,
    Math.min(rules.longestSeconds, characters / rules.charactersPerSecond),
  );
  const frames = secondsToNearestFrames(seconds, rate);
  // Rounded up where rounding down would be too fast.
  return frameToSeconds(frames, rate) + 1e-9 < seconds ? frames + 1 : frames;
}

/** The characters that are read of a cue; its line ends count as spaces. */
export function cueCharacters(words: string): number {
  return countGraphemes(plainWords(words).replace(/\s+/g, ' ').trim());
}

/** How fast a cue has to be read, in characters a second. */
export function charactersPerSecond(cue: Pick<Cue, 'words' | 'lengthFrames'>, rate: FrameRate): number {
  return (cueCharacters(cue.words) * rate.numerator) / (cue.lengthFrames * rate.denominator);
}

/** Where a new cue of a track stands: from a frame on, as long as it reads, before the next one; null where there is no room. */
export function roomFor(
  track: readonly Cue[],
  frame: number,
  rules: CaptionRules,
  rate: FrameRate,
): Pick<Cue, 'startFrame' | 'lengthFrames'> | null {
  if (track.some((cue) => cue.startFrame <= frame && frame < endOf(cue))) return null;
  const next = track.find((cue) => cue.startFrame > frame);
  const usual = framesFor(2 * rules.charactersPerSecond, rules, rate);
  const room = next === undefined ? usual : next.startFrame - rules.gapFrames - frame;
  return room < 1 ? null : { startFrame: frame, lengthFrames: Math.min(usual, room) };
}
