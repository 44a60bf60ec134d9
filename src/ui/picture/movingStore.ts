import { createStore } from 'zustand';
import type { MovingMoment } from '@/core/display/moving';
import { movingMoment } from '@/core/display/moving';
import type { PictureSize } from '@/core/layers/layerKind';
import type { OpenVideo, VideoFrameImage } from './videoStore';
import { uploadedVideo } from './videoStore';

// A frame for a screen; the press decodes its own.
const WIDTH_PX = 960;
// Times in files are rounded, so a frame is asked for a little after it begins.
const WITHIN_SECONDS = 0.004;
// A video may be seen at several moments at once.
const MOST_FRAMES = 8;
// What is asked for while others are decoded; older wishes are let go of, so that playing does not fall behind.
const MOST_WANTED = 2;

/** A video that is shown within titles. */
interface Moving {
  readonly video: OpenVideo;
  readonly size: PictureSize;
  /** The frames that were decoded last, by their moments, from the oldest on. */
  readonly frames: Map<number, VideoFrameImage>;
  wanted: readonly number[];
  busy: boolean;
}

const open = new Map<string, Moving>();

/** Counts the frames that were decoded: what shows one is painted anew when it changes. */
export const decodedFrames = createStore<number>(() => 0);

/** Opens a video that is kept, by its id; rejects for one that is not here, or that this browser cannot show. */
export async function openMoving(id: string): Promise<void> {
  if (open.has(id)) return;
  const video = await uploadedVideo(id, WIDTH_PX);
  const image = await video.frameAt(0);
  if (image === null) throw new Error('gone');
  const size = { widthPx: image.width, heightPx: image.height };
  open.set(id, { video, size, frames: new Map([[0, image]]), wanted: [], busy: false });
}

/** The size of a video's frames; undefined while it is not open. */
export function movingSizeOf(id: string): PictureSize | undefined {
  return open.get(id)?.size;
}

/** A video at a moment; null while it is not open. Until that frame is decoded, the nearest that is here stands in. */
export function movingPicture({ id, seconds }: MovingMoment): VideoFrameImage | null {
  const moving = open.get(id);
  if (moving === undefined) return null;
  const known = moving.frames.get(seconds);
  if (known !== undefined) return known;
  moving.wanted = [...moving.wanted.filter((one) => one !== seconds), seconds].slice(-MOST_WANTED);
  if (!moving.busy) void decode(moving);
  return nearest(moving.frames, seconds);
}

/** Waits until the frames of some images of display lists are decoded, as far as their videos are here. */
export async function readyMoving(assets: Iterable<string>): Promise<void> {
  for (const asset of assets) {
    const moment = movingMoment(asset);
    const moving = moment && open.get(moment.id);
    if (moment && moving && !moving.frames.has(moment.seconds)) await decodeAt(moving, moment.seconds);
  }
}

function nearest(frames: Moving['frames'], seconds: number): VideoFrameImage | null {
  const moments = [...frames.keys()].sort((a, b) => Math.abs(a - seconds) - Math.abs(b - seconds));
  return moments.length === 0 ? null : (frames.get(moments[0]) ?? null);
}

async function decode(moving: Moving): Promise<void> {
  moving.busy = true;
  while (moving.wanted.length > 0) {
    const [seconds, ...rest] = moving.wanted;
    moving.wanted = rest;
    await decodeAt(moving, seconds);
    decodedFrames.setState((count) => count + 1);
  }
  moving.busy = false;
}

async function decodeAt({ video, frames }: Moving, seconds: number): Promise<void> {
  // After its end it goes on with its last frame.
  const last = Math.max(0, video.seconds - 0.5 / Math.max(1, video.framesPerSecond));
  const image = await video.frameAt(Math.min(seconds + WITHIN_SECONDS, last)).catch(() => null);
  // One that cannot be decoded is not asked for again and again.
  const shown = image ?? nearest(frames, seconds);
  if (shown !== null) frames.set(seconds, shown);
  const [oldest] = frames.keys();
  if (frames.size > MOST_FRAMES) frames.delete(oldest);
}
