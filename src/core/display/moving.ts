import { showsAsset } from './inner';
import type { DisplayItem } from './list';

/*
 * A video that is seen within a title. Documents call it by `video:` and its id, as projects call the pictures of clips; a
 * display list has an image of it at a moment of its own, under another name for each moment.
 */
const VIDEO = 'video:';
const MOVING = 'moving:';

// A hair before a frame is that frame.
const DUST = 1e-6;

/** A video and a moment of it, in seconds from its start. */
export interface MovingMoment {
  readonly id: string;
  readonly seconds: number;
}

/** What a document calls a video that is shown as a picture. */
export function videoPicture(id: string): string {
  return `${VIDEO}${id}`;
}

/** The id of a video from what a document calls it; null for what is no video. */
export function videoId(picture: string): string | null {
  return picture.startsWith(VIDEO) ? picture.slice(VIDEO.length) : null;
}

/** What an image of a display list is called that shows a video at a moment. */
export function movingImage({ id, seconds }: MovingMoment): string {
  return `${MOVING}${id}@${seconds}`;
}

/**
 * What an image of a display list is called that shows a picture of a document at a time: of a video the frame that is
 * there, the same for both fields, since a frame of the title began.
 */
export function pictureAt(picture: string, seconds: number, frameSeconds: number): string {
  const id = videoId(picture);
  if (id === null) return picture;
  return movingImage({ id, seconds: Math.max(0, Math.floor(seconds / frameSeconds + DUST)) * frameSeconds });
}

/** The video and the moment that an image of that name shows; null for another picture. */
export function movingMoment(asset: string): MovingMoment | null {
  if (!asset.startsWith(MOVING)) return null;
  const at = asset.lastIndexOf('@');
  return { id: asset.slice(MOVING.length, at), seconds: Number(asset.slice(at + 1)) };
}

/** Whether items show a video anywhere. */
export function showsMoving(items: readonly DisplayItem[]): boolean {
  return showsAsset(items, (asset) => movingMoment(asset) !== null);
}

/** The names of all moments of videos that items show, each once. */
export function movingImages(items: readonly DisplayItem[]): ReadonlySet<string> {
  const found = new Set<string>();
  showsAsset(items, (asset) => {
    if (movingMoment(asset) !== null) found.add(asset);
    return false;
  });
  return found;
}

interface SizePx {
  readonly widthPx: number;
  readonly heightPx: number;
}

// A video within a title is not shown larger than a frame of high definition.
const MOST: SizePx = { widthPx: 1920, heightPx: 1080 };

/** The size in which frames of a video are decoded to be shown within a title: its own, or smaller in its proportions. */
export function movingSize({ widthPx, heightPx }: SizePx): SizePx {
  const share = Math.min(1, MOST.widthPx / widthPx, MOST.heightPx / heightPx);
  const px = (side: number): number => Math.max(1, Math.round(side * share));
  return { widthPx: px(widthPx), heightPx: px(heightPx) };
}
