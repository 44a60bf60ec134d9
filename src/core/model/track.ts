import type { Layer, Track } from './template';

/** The track of a layer's property; undefined when it has none. */
export function trackOf(layer: Layer, path: string): Track | undefined {
  return layer.motion.tracks.find((track) => track.path === path);
}

/** Whether a property follows a track: it is on and has keys. */
export const isFollowed = ({ on, keys }: Track): boolean => on && keys.length > 0;

/** The track that a layer's property follows; undefined for one with a value of its own. */
export function followedTrack(layer: Layer, path: string): Track | undefined {
  const track = trackOf(layer, path);
  return track !== undefined && isFollowed(track) ? track : undefined;
}
