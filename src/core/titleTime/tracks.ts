import bezier from 'bezier-easing';
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
import { assertNever } from '../kit/assertNever';
import { momentToSeconds } from './moments';
import { retimed } from './retime';
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

/** A track's value at a time; its first before the first key, its last after the last. Null without keys. */
export function trackValue(
  track: Track,
  seconds: number,
  design: Timing,
  timing: TitleTiming,
): FieldValue | null {
  const keys = timedKeys(track, design, timing);
  if (keys.length === 0) return null;
  const next = keys.findIndex((one) => one.seconds > seconds);
  if (next === 0) return keys[0].key.value;
  if (next < 0) return keys[keys.length - 1].key.value;
  const before = keys[next - 1];
  const after = keys[next];
  const share = (seconds - before.seconds) / (after.seconds - before.seconds);
  if (before.key.way === 'round') return roundValue(keys, next, share) ?? before.key.value;
  return mixValues(before.key.value, after.key.value, keyShare(before.key, share));
}

/**
 * A figure on a smooth way through its neighbours: a cubic with the slope at each key that its neighbours have
 * between them (Catmull and Rom, 1974, for keys at uneven times). Null for what is no figure.
 */
function roundValue(keys: readonly TimedKey[], next: number, share: number): number | null {
  const at = (i: number): TimedKey => keys[Math.max(0, Math.min(keys.length - 1, i))];
  const [a, b] = [at(next - 1), at(next)];
  const slope = (i: number): number => {
    const [left, right] = [at(i - 1), at(i + 1)];
    const span = right.seconds - left.seconds;
    return span > 0 ? (Number(right.key.value) - Number(left.key.value)) / span : 0;
  };
  if (typeof a.key.value !== 'number' || typeof b.key.value !== 'number') return null;
  const span = b.seconds - a.seconds;
  const [t, t2, t3] = [share, share ** 2, share ** 3];
  return (
    (2 * t3 - 3 * t2 + 1) * a.key.value +
    (t3 - 2 * t2 + t) * span * slope(next - 1) +
    (3 * t2 - 2 * t3) * b.key.value +
    (t3 - t2) * span * slope(next)
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
      return EASES.get('spring').at(share);
    case 'smooth':
      return curveOf(key.curve)(share);
    default:
      return assertNever(key.way, 'way between keys');
  }
}

const curves = new WeakMap<Keyframe['curve'], (share: number) => number>();

/** A cubic Bézier from (0, 0) to (1, 1); its two handles keep their times within those of its ends. */
function curveOf(curve: Keyframe['curve']): (share: number) => number {
  const known = curves.get(curve);
  if (known !== undefined) return known;
  const within = (time: number): number => Math.max(0, Math.min(1, time));
  const made = bezier(within(curve[0]), curve[1], within(curve[2]), curve[3]);
  curves.set(curve, made);
  return made;
}

const COLOUR = /^#[0-9a-f]{6}$/;
const NUMBERS = /-?\d*\.?\d+(?:e[-+]?\d+)?/gi;

/** A value between two: numbers, colours (in OKLab), and path data with as many figures; others change at the end. */
export function mixValues(from: FieldValue, to: FieldValue, share: number): FieldValue {
  if (typeof from === 'number' && typeof to === 'number') return from + (to - from) * share;
  if (typeof from !== 'string' || typeof to !== 'string') return share < 1 ? from : to;
  if (COLOUR.test(from) && COLOUR.test(to)) return mixColours(from, to, Math.max(0, Math.min(1, share)));
  const [a, b] = [from.match(NUMBERS) ?? [], to.match(NUMBERS) ?? []];
  const alike = from.replace(NUMBERS, '#') === to.replace(NUMBERS, '#');
  if (!alike || a.length === 0 || a.length !== b.length) return share < 1 ? from : to;
  let i = 0;
  return from.replace(NUMBERS, () => {
    const [x, y] = [Number(a[i]), Number(b[i])];
    i++;
    return String(Math.round((x + (y - x) * share) * 1000) / 1000);
  });
}

/** Whether anything of a template follows keyframes. */
export function hasTracks(template: Template): boolean {
  return template.layers.some(({ motion }) => motion.tracks.some(isFollowed));
}

/** What the tracks of a template set, to be asked for any time. */
export function compileTracks(
  template: Template,
): (seconds: number, timing: TitleTiming) => readonly PropertySetting[] {
  const design = template.timing;
  const followed = template.layers.flatMap((layer) =>
    layer.motion.tracks.filter(isFollowed).map((track) => ({ layer, track })),
  );
  return (seconds, timing) =>
    followed.flatMap(({ layer, track }) => {
      const own = trackSeconds(layer, track.path, seconds, design, timing);
      const value = trackValue(track, own, design, timing);
      return value === null ? [] : [{ layerId: layer.id, path: track.path, value }];
    });
}

// A layer's own time can follow a curve; that curve runs in the title's time, all others in the layer's.
const CLOCK_PATH = 'motion.retime.fromSeconds';

/** The time (seconds) at which the track of a layer's property is asked for at a time of the title. */
export function trackSeconds(
  { motion }: Layer,
  path: string,
  seconds: number,
  design: Timing,
  timing: TitleTiming,
): number {
  if (motion.retime === null || path === CLOCK_PATH) return seconds;
  const clock = motion.tracks.find((track) => track.path === CLOCK_PATH);
  const moment = clock !== undefined && isFollowed(clock) ? trackValue(clock, seconds, design, timing) : null;
  const retime = typeof moment === 'number' ? { ...motion.retime, fromSeconds: moment } : motion.retime;
  return retimed(retime, seconds, timing.totalSeconds);
}
