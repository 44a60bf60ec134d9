import { createStore } from 'zustand';
import type { MovingMoment } from '@/core/display/moving';
import { movingMoment } from '@/core/display/moving';
import type { PictureSize } from '@/core/layers/layerKind';
import { MovingFrames } from './movingFrames';
import type { VideoFrameImage } from './videoStore';
import { uploadedVideo } from './videoStore';

// A frame for a screen; the press decodes its own.
const WIDTH_PX = 960;

/** A video that is shown within titles or under them. */
interface Moving {
  readonly size: PictureSize;
  readonly frames: MovingFrames;
}

const open = new Map<string, Moving>();
const opening = new Map<string, Promise<void>>();

/** Counts the frames that were decoded: what shows one is painted anew when it changes. */
export const decodedFrames = createStore<number>(() => 0);

/** Opens a video that is kept, by its id; rejects for one that is not here, or that this browser cannot show. */
export function openMoving(id: string): Promise<void> {
  const known = opening.get(id);
  if (known !== undefined) return known;
  const started = openOnce(id);
  opening.set(id, started);
  started.catch(() => opening.delete(id));
  return started;
}

async function openOnce(id: string): Promise<void> {
  const video = await uploadedVideo(id, WIDTH_PX);
  const first = await video.frameAt(0);
  if (first === null) throw new Error('gone');
  const size = { widthPx: first.width, heightPx: first.height };
  const tell = (): void => decodedFrames.setState((count) => count + 1);
  open.set(id, { size, frames: new MovingFrames(video, first, tell) });
}

/** The size of a video's frames; undefined while it is not open. */
export function movingSizeOf(id: string): PictureSize | undefined {
  return open.get(id)?.size;
}

/** A video at a moment; null while it is not open. Until that frame is decoded, the nearest that is here stands in. */
export function movingPicture({ id, seconds }: MovingMoment): VideoFrameImage | null {
  return open.get(id)?.frames.at(seconds) ?? null;
}

/** Waits until the frames of some images of display lists are decoded, as far as their videos are here. */
export async function readyMoving(assets: Iterable<string>): Promise<void> {
  for (const asset of assets) {
    const moment = movingMoment(asset);
    if (moment !== null) await open.get(moment.id)?.frames.ready(moment.seconds);
  }
}
