import type { CopyState, KeptVideo, TakenVideo } from '@/contract/assets';
import { stillOf } from '@/core/project/ground';
import { videoPicture } from '@/core/display/moving';
import { InputError } from '@/core/kit/inputError';
import type { KnownPicture } from '@/core/project/pictureMatch';
import type { PictureNames } from '@/core/project/pictureNames';
import { pictureNames } from '@/core/project/pictureNames';
import type { Clock } from '@/core/time/clock';
import { secondsToNearestFrames } from '@/core/time/rates';
import { labelFrame, modesOf, parseTime } from '@/core/time/timecode';
import { openVideo } from '../picture/videoStore';
import { ask } from '../shared/api';
import { bringInPicture, namedAssets } from '../shared/assets';
import type { VideoSource } from '../shared/PictureBox';
import { sendFile, showProgress } from '../shared/uploads';

/** What a file picker offers for a video. */
export const VIDEO_TYPES = 'video/mp4,video/webm,video/quicktime,.mxf,.mov';

/** A picture for a clip. */
export interface MediaFile {
  readonly picture: string;
  /** Its name without the file's ending. */
  readonly label: string;
  readonly fileName: string;
  readonly seconds: number;
  /** Whether it can be shown as long as one likes. */
  readonly endless: boolean;
  /** The timecode of its first frame; empty where its file says none. */
  readonly startTimecode: string;
}

const STILL_SECONDS = 6;

/**
 * Brings a still or a video in. A video that this browser cannot decode is sent all the same: the server makes a small
 * copy of it to look at, and this waits for that.
 */
export async function bringInMedia(file: File): Promise<MediaFile> {
  const label = file.name.replace(/\.[^.]+$/, '');
  const about = { label, fileName: file.name };
  if (isStill(file)) {
    const asset = await bringInPicture(file);
    return {
      ...about,
      picture: `asset:${asset.id}`,
      seconds: STILL_SECONDS,
      endless: true,
      startTimecode: '',
    };
  }
  const here = await secondsHere(file);
  const taken = await sendFile<TakenVideo>('video', file);
  if (taken.copying) await waitForCopy(taken.id, file.name);
  else if (here === null)
    // It was taken to be one that browsers show, and this one does not.
    await openVideo(new URL(`/api/media/${taken.id}`, window.location.href), file.name);
  return {
    ...about,
    picture: videoPicture(taken.id),
    seconds: here ?? taken.seconds,
    endless: false,
    startTimecode: taken.startTimecode,
  };
}

const isStill = ({ type, name }: File): boolean => type.startsWith('image/') || /\.svg$/i.test(name);

/** How long a video is, where this browser can show it; null where it cannot. */
async function secondsHere(file: File): Promise<number | null> {
  try {
    const video = await openVideo(file, file.name);
    return (await video.frameAt(0)) === null ? null : video.seconds;
  } catch {
    return null;
  }
}

const ASK_EVERY_MS = 700;

async function waitForCopy(id: string, name: string): Promise<void> {
  const progress = showProgress(`${name}, viewing copy`);
  try {
    for (;;) {
      const { state, share, message } = await ask<CopyState>(`media/${id}/copy`);
      if (state === 'ready') return;
      if (state === 'failed') throw new Error(`“${name}”: ${message}`);
      progress.tell(share);
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
    }
  } finally {
    progress.end();
  }
}

/** Videos for titles that show them, beside pictures. */
export const VIDEOS_FOR_TITLES: VideoSource = {
  types: VIDEO_TYPES,
  list: async () =>
    (await ask<KeptVideo[]>('media')).map(({ id, name }) => ({ value: videoPicture(id), label: name })),
  async bringIn(file) {
    const { picture, fileName } = await bringInMedia(file);
    return { value: stillOf({ picture }) ?? picture, label: fileName };
  },
};

/** The pictures and videos that are here, by what sheets call them. */
export async function picturesHere(): Promise<PictureNames> {
  return pictureNames((await Promise.all([namedAssets(), VIDEOS_FOR_TITLES.list()])).flat());
}

/** The videos that are kept, as lists of cuts may call them. */
export async function keptVideos(clock: Clock): Promise<KnownPicture[]> {
  const videos = await ask<KeptVideo[]>('media');
  return videos.map(({ id, name, seconds, startTimecode }) => ({
    picture: videoPicture(id),
    name,
    firstFrame: firstFrameOf(startTimecode, clock),
    lengthFrames: seconds === 0 ? null : Math.max(1, secondsToNearestFrames(seconds, clock.rate)),
  }));
}

/** A file that was brought in, as lists of cuts may call it. */
export function knownPicture(
  { picture, fileName, seconds, endless, startTimecode }: MediaFile,
  clock: Clock,
): KnownPicture {
  return {
    picture,
    name: fileName,
    firstFrame: firstFrameOf(startTimecode, clock),
    lengthFrames: endless ? null : Math.max(1, secondsToNearestFrames(seconds, clock.rate)),
  };
}

/** The frame that a file's own timecode names; null for none, or one that the project's rate does not have. */
function firstFrameOf(timecode: string, { rate }: Clock): number | null {
  if (timecode === '') return null;
  const drop = timecode.includes(';') && modesOf(rate).includes('drop');
  try {
    return parseTime(timecode, { rate, mode: drop ? 'drop' : 'non-drop' }, 'Timecode').frames;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    // Of another rate: its hours, minutes and seconds still say where it begins.
    const [hours, minutes, seconds] = timecode.split(/[:;.]/).map(Number);
    return labelFrame({ hours, minutes, seconds, frames: 0 }, { rate, mode: 'non-drop' });
  }
}
