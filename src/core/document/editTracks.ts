import { findProperty } from '../layers';
import { updateLayer } from './editTemplate';
import type { FieldValue, Keyframe, Layer, Moment, Template, Track } from './template';

/** The curve that a new smooth key begins with: off slowly and on slowly. */
const FIRST_CURVE: Keyframe['curve'] = [0.45, 0, 0.3, 1];

/** Two moments that are the same. */
export function sameMoment(a: Moment, b: Moment): boolean {
  return (
    a.from === b.from &&
    Math.abs(a.offsetSeconds - b.offsetSeconds) < 1e-4 &&
    Math.abs(a.share - b.share) < 1e-5
  );
}

/** The track of a layer's property; undefined when it has none. */
export function trackOf(layer: Layer, path: string): Track | undefined {
  return layer.motion.tracks.find((track) => track.path === path);
}

function withTracks(layer: Layer, tracks: readonly Track[]): Layer {
  return { ...layer, motion: { ...layer.motion, tracks } };
}

/** The template with a layer's track changed by its path; `change` gives null to take it away. */
export function updateTrack(
  template: Template,
  layerId: string,
  path: string,
  change: (track: Track) => Track | null,
): Template {
  return updateLayer(template, layerId, (layer) =>
    withTracks(
      layer,
      layer.motion.tracks.flatMap((track) => (track.path === path ? (change(track) ?? []) : [track])),
    ),
  );
}

/** A layer with a key of a property at a moment; a track that is not there yet begins with it. */
export function setKey(layer: Layer, path: string, moment: Moment, value: FieldValue): Layer {
  const track = trackOf(layer, path) ?? { path, on: true, keys: [] };
  const before = track.keys.find((key) => sameMoment(key.moment, moment));
  const key: Keyframe =
    before === undefined ? { moment, value, way: 'smooth', curve: FIRST_CURVE } : { ...before, value };
  const keys = [...track.keys.filter((one) => one !== before), key];
  const others = layer.motion.tracks.filter((one) => one.path !== path);
  return withTracks(layer, [...others, { ...track, keys }]);
}

/**
 * The template after a change that was made on what its tracks show at a moment: what follows keyframes gets a key
 * there where the change gave it another value, and the design's own value stays as it was.
 */
export function changeAtMoment(
  template: Template,
  shown: Template,
  moment: Moment,
  change: (template: Template) => Template,
): Template {
  const next = change(shown);
  if (next === shown) return template;
  const designs = new Map(template.layers.map((layer) => [layer.id, layer]));
  const shownById = new Map(shown.layers.map((layer) => [layer.id, layer]));
  const layers = next.layers.map((layer) => {
    const design = designs.get(layer.id);
    const before = shownById.get(layer.id);
    if (design === undefined || before === undefined) return layer;
    if (layer === before) return design;
    return layer.motion.tracks
      .filter(({ on }) => on)
      .reduce((done, { path }) => keepKeyed(done, path, moment, design, before), layer);
  });
  return { ...next, layers };
}

function keepKeyed(layer: Layer, path: string, moment: Moment, design: Layer, before: Layer): Layer {
  const value = findProperty(layer, path)?.value;
  const shown = findProperty(before, path)?.value;
  const own = findProperty(design, path)?.value;
  if (value === undefined || own === undefined) return layer;
  const keyed = value === shown ? layer : setKey(layer, path, moment, value);
  return findProperty(keyed, path)?.with(own) ?? keyed;
}

/** The keys of a track in the opposite order: what was at the first key is at the last. */
export function reverseKeys(track: Track): Track {
  const values = track.keys.map(({ value }) => value).toReversed();
  return { ...track, keys: track.keys.map((key, i) => ({ ...key, value: values[i] })) };
}
