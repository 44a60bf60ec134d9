import type { TakenVideo } from '@/contract/assets';
import { openVideo } from '../picture/videoStore';
import { bringInPicture } from '../shared/assets';
import { sendFile } from '../shared/uploads';

/** What a file picker offers for a video. */
export const VIDEO_TYPES = 'video/mp4,video/webm,video/quicktime';

/** A picture for a clip. */
export interface MediaFile {
  readonly picture: string;
  readonly label: string;
  readonly seconds: number;
  /** Whether it can be shown as long as one likes. */
  readonly endless: boolean;
}

const STILL_SECONDS = 6;

/** Brings a still or a video in. A video that this browser cannot decode is refused before anything is sent. */
export async function bringInMedia(file: File): Promise<MediaFile> {
  const label = file.name.replace(/\.[^.]+$/, '');
  if (!file.type.startsWith('video/')) {
    const asset = await bringInPicture(file);
    return { picture: `asset:${asset.id}`, label, seconds: STILL_SECONDS, endless: true };
  }
  const video = await openVideo(file, file.name);
  if ((await video.frameAt(0)) === null) throw new Error(`No picture of “${file.name}” could be decoded.`);
  const { id } = await sendFile<TakenVideo>('video', file);
  return { picture: `video:${id}`, label, seconds: video.seconds, endless: false };
}
