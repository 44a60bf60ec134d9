import type { Template, Timing } from '../model/template';
import { designTiming, secondsToMoment } from '../titleTime/moments';
import { keySeconds } from '../titleTime/moveKeys';
import { updateTrack } from './editTracks';

/** A key of a layer's property, by its place in the track. */
export interface KeyRef {
  readonly layerId: string;
  readonly path: string;
  readonly index: number;
}

/** When a key is in the design, in seconds; null for one that is not there. */
function keyTime({ layers, timing }: Template, { layerId, path, index }: KeyRef): number | null {
  const layer = layers.find(({ id }) => id === layerId);
  const key = layer?.motion.tracks.find((track) => track.path === path)?.keys[index];
  return key === undefined ? null : keySeconds(key, timing);
}

/** The times (seconds of the design) of keys that are there, the earliest first. */
export function keyTimes(template: Template, keys: readonly KeyRef[]): readonly number[] {
  return keys.flatMap((key) => keyTime(template, key) ?? []).sort((a, b) => a - b);
}

/** A template with keys moved together by so many seconds, as far as the first and the last of them can go. */
export function moveKeys(template: Template, keys: readonly KeyRef[], bySeconds: number): Template {
  const times = keyTimes(template, keys);
  if (times.length === 0) return template;
  const { totalSeconds } = designTiming(template.timing);
  const by = Math.max(-times[0], Math.min(totalSeconds - times[times.length - 1], bySeconds));
  return retimed(template, keys, (seconds) => seconds + by);
}

/** A template with keys `factor` times as far from a time of the design (seconds), as far as the title goes. */
export function scaleKeys(
  template: Template,
  keys: readonly KeyRef[],
  aboutSeconds: number,
  factor: number,
): Template {
  return retimed(template, keys, (seconds) => aboutSeconds + (seconds - aboutSeconds) * Math.max(0, factor));
}

/** A template without keys; a track that has none left goes. */
export function removeKeys(template: Template, keys: readonly KeyRef[]): Template {
  return inTracks(keys).reduce(
    (done, { layerId, path, indexes }) =>
      updateTrack(done, layerId, path, (track) => {
        const left = track.keys.filter((_, i) => !indexes.has(i));
        return left.length === 0 ? null : { ...track, keys: left };
      }),
    template,
  );
}

function retimed(template: Template, keys: readonly KeyRef[], at: (seconds: number) => number): Template {
  const { timing } = template;
  const within = withinTitle(timing);
  return inTracks(keys).reduce(
    (done, { layerId, path, indexes }) =>
      updateTrack(done, layerId, path, (track) => ({
        ...track,
        keys: track.keys.map((key, i) =>
          indexes.has(i)
            ? { ...key, moment: secondsToMoment(within(at(keySeconds(key, timing))), timing) }
            : key,
        ),
      })),
    template,
  );
}

function withinTitle(timing: Timing): (seconds: number) => number {
  const { totalSeconds } = designTiming(timing);
  return (seconds) => Math.max(0, Math.min(totalSeconds, seconds));
}

interface InTrack {
  readonly layerId: string;
  readonly path: string;
  readonly indexes: ReadonlySet<number>;
}

/** Keys by the track that they are in. */
function inTracks(keys: readonly KeyRef[]): InTrack[] {
  const tracks = new Map<string, { layerId: string; path: string; indexes: Set<number> }>();
  for (const { layerId, path, index } of keys) {
    const name = JSON.stringify([layerId, path]);
    const known = tracks.get(name) ?? { layerId, path, indexes: new Set<number>() };
    known.indexes.add(index);
    tracks.set(name, known);
  }
  return [...tracks.values()];
}
