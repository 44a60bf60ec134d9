import { ATTACHMENT_PATH } from './attachment';
import type { Layer, Track } from './template';

/** The track of a layer's property; undefined when it has none. */
export function trackOf(layer: Layer, path: string): Track | undefined {
  return layer.motion.tracks.find((track) => track.path === path);
}

/** Whether a property follows a track: it is on and has keys. */
export const isFollowed = ({ on, keys }: Track): boolean => on && keys.length > 0;

const ATTACHED_BY = /^place\.(point|target|targetPoint|dxU|dyU)$/;

/**
 * The track that a layer's property follows, also as a part of all that it is attached by; undefined for one with a value
 * of its own.
 */
export function followedTrack(layer: Layer, path: string): Track | undefined {
  const whole = ATTACHED_BY.test(path) ? trackOf(layer, ATTACHMENT_PATH) : undefined;
  const track = whole !== undefined && isFollowed(whole) ? whole : trackOf(layer, path);
  return track !== undefined && isFollowed(track) ? track : undefined;
}
