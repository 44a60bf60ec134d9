import { COLOUR_VALUE } from '../colour/houseColour';
import { mixColours } from '../colour/mixStops';
import { isFollowed } from '../model/track';
import type {
  FieldValue,
  Keyframe,
  Layer,
  PropertySetting,
  Template,
  Timing,
  Track,
} from '../model/template';
import { EASES } from '../eases';
import type { Spring } from '../kit/springBy';
import { springBy } from '../kit/springBy';
import { assertNever } from '../kit/assertNever';
import { curveOf } from './curve';
import { momentToSeconds } from './moments';
import type { OwnTime } from './retime';
import { ownTime } from './retime';
import type { TitleTiming } from './stretch';

/** A key with its time in a title of some length. */
export interface TimedKey {
  readonly key: Keyframe;
  readonly seconds: number;
}

/** A track's keys in order of their times (seconds) in a title of a given length. */
export function timedKeys(track: Track, design: Timing, timing: TitleTiming): readonly TimedKey[] {
  const known = timed.get(track);
  if (known?.timing === timing && known.design === design) return known.keys;
  const keys = track.keys
    .map((key) => ({ key, seconds: momentToSeconds(key.moment, design, timing) }))
    .sort((a, b) => a.seconds - b.seconds);
  timed.set(track, { design, timing, keys });
  return keys;
}

// Frame after frame of one title asks for the same track at the same length.
const timed = new WeakMap<
  Track,
  { readonly design: Timing; readonly timing: TitleTiming; readonly keys: readonly TimedKey[] }
>();

/** A value between two at a share (0 to 1), which may overshoot. */
type Mix = (from: FieldValue, to: FieldValue, share: number) => FieldValue;

/** What a track has at a time: one value, or two keys and how far (0 to 1 and beyond) it is from one to the other. */
type TrackState =
  | { readonly value: FieldValue }
  | { readonly keys: readonly TimedKey[]; readonly next: number; readonly share: number };

/** Null without keys; the first key before it, the last after it. */
function trackState(track: Track, seconds: number, design: Timing, timing: TitleTiming): TrackState | null {
  const keys = timedKeys(track, design, timing);
  if (keys.length === 0) return null;
  const next = keys.findIndex((one) => one.seconds > seconds);
  if (next === 0) return { value: keys[0].key.value };
  if (next < 0) return { value: keys[keys.length - 1].key.value };
  const [before, after] = [keys[next - 1], keys[next]];
  return { keys, next, share: (seconds - before.seconds) / (after.seconds - before.seconds) };
}

/** How a property behaves between two of its keys. */
export interface Between {
  readonly mix?: Mix;
  /** There is nothing between two of its values: it has the one of the key before. */
  readonly blends?: boolean;
}

/** A track's value at a time; its first before the first key, its last after the last. Null without keys. */
export function trackValue(
  track: Track,
  seconds: number,
  design: Timing,
  timing: TitleTiming,
  { mix = mixValues, blends = false }: Between = {},
): FieldValue | null {
  const state = trackState(track, seconds, design, timing);
  if (state === null || 'value' in state) return state?.value ?? null;
  const { keys, next, share } = state;
  const before = keys[next - 1].key;
  if (blends) return before.value;
  if (before.way === 'round') return roundValue(keys, next, share) ?? before.value;
  return mix(before.value, keys[next].key.value, keyShare(before, share));
}

/** What keyframes set; between two values that have nothing between them also the other one, and how far it is to it. */
export interface KeyedSetting extends PropertySetting {
  readonly toward?: { readonly value: FieldValue; readonly share: number };
}

function keyedSetting(
  { layer, track, between }: { readonly layer: Layer; readonly track: Track; readonly between: Between },
  seconds: number,
  design: Timing,
  timing: TitleTiming,
): KeyedSetting[] {
  const [layerId, path] = [layer.id, track.path];
  if (between.blends !== true) {
    const value = trackValue(track, seconds, design, timing, between);
    return value === null ? [] : [{ layerId, path, value }];
  }
  const state = trackState(track, seconds, design, timing);
  if (state === null) return [];
  if ('value' in state) return [{ layerId, path, value: state.value }];
  const [before, after] = [state.keys[state.next - 1].key, state.keys[state.next].key];
  const share = keyShare(before, state.share);
  const still = share === 0 || before.value === after.value;
  return [{ layerId, path, value: before.value, ...(!still && { toward: { value: after.value, share } }) }];
}

/**
 * Figures on a smooth way through their neighbours: a cubic with the slope at each key that its neighbours have
 * between them (Catmull and Rom, 1974, for keys at uneven times). Null for what has no figures, or not as many.
 */
function roundValue(keys: readonly TimedKey[], next: number, share: number): FieldValue | null {
  const around = [next - 2, next - 1, next, next + 1].map(
    (i) => keys[Math.max(0, Math.min(keys.length - 1, i))],
  );
  const figures = around.map(({ key }) => figuresOf(key.value));
  const count = figures[1].length;
  if (count === 0 || figures.some(({ length }) => length !== count)) return null;
  /** How fast a figure changes from one of these keys to another. */
  const slope = (figure: number, from: number, to: number): number => {
    const span = around[to].seconds - around[from].seconds;
    return span > 0 ? (figures[to][figure] - figures[from][figure]) / span : 0;
  };
  const span = around[2].seconds - around[1].seconds;
  const [s2, s3] = [share * share, share * share * share];
  return withFigures(
    around[1].key.value,
    figures[1].map((a, i) => {
      const b = figures[2][i];
      const [out, into] = [slope(i, 0, 2), slope(i, 1, 3)];
      return (
        (2 * s3 - 3 * s2 + 1) * a +
        (s3 - 2 * s2 + share) * span * out +
        (3 * s2 - 2 * s3) * b +
        (s3 - s2) * span * into
      );
    }),
  );
}

/** How far between a key and the next a value is, at a share (0 to 1) of the time between them; it may overshoot. */
export function keyShare(key: Keyframe, share: number): number {
  switch (key.way) {
    case 'straight':
    case 'round':
      return share;
    case 'stepped':
      return 0;
    case 'spring':
      return key.spring === undefined ? EASES.get('spring').at(share) : springOf(key.spring)(share);
    case 'smooth':
      return curveOf(key.curve)(share);
    default:
      return assertNever(key.way, 'way between keys');
  }
}

const springs = new WeakMap<Spring, (share: number) => number>();

function springOf(spring: Spring): (share: number) => number {
  const made = springs.get(spring) ?? springBy(spring);
  springs.set(spring, made);
  return made;
}

const NUMBERS = /-?\d*\.?\d+(?:e[-+]?\d+)?/gi;

/** The figures in a value; none in a colour, a switch and words. */
function figuresOf(value: FieldValue): readonly number[] {
  if (typeof value === 'number') return [value];
  if (typeof value !== 'string' || COLOUR_VALUE.test(value)) return [];
  return (value.match(NUMBERS) ?? []).map(Number);
}

/** A value with other figures in place of its own, in words to a thousandth. */
function withFigures(value: FieldValue, figures: readonly number[]): FieldValue {
  if (typeof value !== 'string') return figures[0];
  let i = 0;
  return value.replace(NUMBERS, () => String(Math.round(figures[i++] * 1000) / 1000));
}

/** A value between two: numbers, colours (in OKLab), and words with as many figures; others change at the end. */
export function mixValues(from: FieldValue, to: FieldValue, share: number): FieldValue {
  if (typeof from === 'number' && typeof to === 'number') return from + (to - from) * share;
  if (typeof from !== 'string' || typeof to !== 'string') return share < 1 ? from : to;
  if (COLOUR_VALUE.test(from) && COLOUR_VALUE.test(to)) {
    // At a key it is that colour, one of the House where the key says so.
    if (share <= 0 || share >= 1) return share <= 0 ? from : to;
    return mixColours(from, to, share);
  }
  const [a, b] = [figuresOf(from), figuresOf(to)];
  const alike = from.replace(NUMBERS, '#') === to.replace(NUMBERS, '#');
  if (!alike || a.length === 0 || a.length !== b.length) return share < 1 ? from : to;
  return withFigures(
    from,
    a.map((x, i) => x + (b[i] - x) * share),
  );
}

/** Whether anything of a template follows keyframes. */
export function hasTracks(template: Template): boolean {
  return template.layers.some(({ motion }) => motion.tracks.some(isFollowed));
}

/** What the tracks of a template set, to be asked for any time; `betweenOf` knows how a property behaves between keys. */
export function compileTracks(
  template: Template,
  betweenOf: (layer: Layer, path: string) => Between,
): (seconds: number, timing: TitleTiming) => readonly KeyedSetting[] {
  const design = template.timing;
  const followed = template.layers.flatMap((layer) =>
    layer.motion.tracks
      .filter(isFollowed)
      .map((track) => ({ layer, track, between: betweenOf(layer, track.path) })),
  );
  return (seconds, timing) =>
    followed.flatMap((one) => {
      const own = trackTime(one.layer, one.track.path, seconds, design, timing);
      return keyedSetting(one, own.seconds, design, own.timing);
    });
}

// A layer's own time can follow a curve; that curve runs in the title's time, all others in the layer's.
const CLOCK_PATH = 'motion.retime.fromSeconds';

/** The time at which the track of a layer's property is asked for at a time of the title. */
export function trackTime(
  { motion }: Layer,
  path: string,
  seconds: number,
  design: Timing,
  timing: TitleTiming,
): OwnTime {
  if (motion.retime === null || path === CLOCK_PATH) return { seconds, timing };
  const clock = motion.tracks.find((track) => track.path === CLOCK_PATH);
  const moment = clock !== undefined && isFollowed(clock) ? trackValue(clock, seconds, design, timing) : null;
  const retime = typeof moment === 'number' ? { ...motion.retime, fromSeconds: moment } : motion.retime;
  return ownTime(retime, seconds, timing);
}
