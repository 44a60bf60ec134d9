import { trackOf } from '../model/track';
import { findProperty } from '../layers';
import { updateLayer } from './editTemplate';
import type { FieldValue, Keyframe, Layer, Moment, Template, Track } from '../model/template';

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

/**
 * A layer with a key of a property at a moment; a track that is not there yet begins with it. A new key goes on to the
 * next in the given way, or as the one that was set before it.
 */
export function setKey(
  layer: Layer,
  path: string,
  moment: Moment,
  value: FieldValue,
  asked?: Keyframe['way'],
): Layer {
  const track = trackOf(layer, path) ?? { path, on: true, keys: [] };
  const before = track.keys.find((key) => sameMoment(key.moment, moment));
  const { way, curve } = track.keys[track.keys.length - 1] ?? { way: 'smooth', curve: FIRST_CURVE };
  const key: Keyframe =
    before === undefined ? { moment, value, way: asked ?? way, curve } : { ...before, value };
  // Tracks and keys keep their places, which rows and pegs go by.
  const keys =
    before === undefined ? [...track.keys, key] : track.keys.map((one) => (one === before ? key : one));
  const { tracks } = layer.motion;
  const next = { ...track, keys };
  return withTracks(
    layer,
    tracks.includes(track) ? tracks.map((one) => (one === track ? next : one)) : [...tracks, next],
  );
}

/** Keys as a layer's property can have them: figures in its range; null when it takes another kind of value. */
export function keysFor(layer: Layer, path: string, keys: readonly Keyframe[]): readonly Keyframe[] | null {
  const property = findProperty(layer, path);
  if (property === undefined || !keys.every(({ value }) => fits(property.control.kind, value))) return null;
  return keys.map((key) => ({
    ...key,
    value: findProperty(property.with(key.value), path)?.value ?? property.value,
  }));
}

function fits(kind: string, value: FieldValue): boolean {
  if (kind === 'number') return typeof value === 'number';
  const colour = typeof value === 'string' && value.startsWith('#');
  return kind === 'colour' ? colour : typeof value === 'string' && !colour;
}
