import { access, mkdir, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromFile } from 'file-type';
import type { CopyState, KeptVideo, TakenVideo } from '@/contract/assets';
import { InputError } from '@/core/kit/inputError';
import { findMedia, listMedia, putMedia } from '@/db/media';
import type { ReceivedFile } from '../incoming/receiveBody';
import { hasFfmpeg } from '../press/ffmpeg';
import { NotFoundError } from '../respond';
import { sendFile } from '../sendFile';
import { mediaFileName, mediaTypeOf } from '../mediaFiles';
import { isShownByBrowsers, probeVideo } from '../videos/probe';
import { soundPeaks } from '../videos/sound';
import { copyState, startCopy } from '../videos/viewingCopy';
import { workshop } from '../workshop';

/** The largest video that is taken in. */
export const LARGEST_VIDEO_BYTES = 4_000_000_000;
const ACCEPTED = new Map([
  ['video/mp4', 'mp4'],
  ['video/webm', 'webm'],
  ['video/quicktime', 'mov'],
]);
// Containers that browsers do not open at all.
const COPIED = new Set([
  'application/mxf',
  'video/mp2t',
  'video/x-msvideo',
  'video/matroska',
  'video/x-matroska',
]);

/**
 * Takes in a video, which lies in the data folder under a name of its content; the same content is kept once. Of one that
 * browsers cannot show a viewing copy is made in the background, and that is kept in its place. Throws InputError for what
 * is no video, and for one that would need a copy where there is no ffmpeg; nothing is kept then.
 */
export async function takeInVideo(name: string, { path, bytes, sha256 }: ReceivedFile): Promise<TakenVideo> {
  const { db, mediaFolder } = await workshop();
  const type = (await fileTypeFromFile(path).catch(() => undefined))?.mime;
  const ending = ACCEPTED.get(type ?? '');
  if (ending === undefined && !COPIED.has(type ?? ''))
    throw InputError.of(`File "${name}"`, 'a video: MP4, MOV, WebM or MXF', type ?? 'a file of another kind');
  const facts = await probeVideo(path);
  const said = { seconds: facts?.seconds ?? 0, startTimecode: facts?.startTimecode ?? '' };
  const kept = { name: name.slice(0, LONGEST_NAME), ...said };
  await mkdir(mediaFolder, { recursive: true });
  if (ending !== undefined && (facts === null || isShownByBrowsers(facts))) {
    const id = `${sha256.slice(0, 24)}-${ending}`;
    await rename(path, join(mediaFolder, mediaFileName(id)));
    await putMedia(db, { id, byteCount: bytes, hash: sha256, ...kept });
    return { id, ...said, copying: false };
  }
  if (facts === null)
    throw InputError.of(
      `File "${name}"`,
      hasFfmpeg()
        ? 'a video with pictures'
        : 'an MP4 with H.264 or a WebM: viewing copies need ffmpeg, which is not here',
      type ?? 'a file of another kind',
    );
  const id = `${sha256.slice(0, 24)}-mp4`;
  if ((await findMedia(db, id)) !== undefined) return { id, ...said, copying: false };
  await startCopy(id, path, mediaFolder, mediaFileName(id), facts.seconds, (copy) =>
    putMedia(db, { id, byteCount: copy.bytes, hash: copy.sha256, ...kept }),
  );
  return { id, ...said, copying: true };
}

const LONGEST_NAME = 120;

/** All videos that are in use; sounds are none. */
export async function getVideos(): Promise<KeptVideo[]> {
  const all = await listMedia((await workshop()).db);
  return all.filter(({ id }) => mediaTypeOf(id).startsWith('video/'));
}

/** How far the viewing copy of a video is. Throws NotFoundError for one that is neither kept nor being made. */
export async function getCopyState(id: string): Promise<CopyState> {
  mediaFileName(id);
  const state = copyState(id);
  if (state !== null) return state;
  if ((await findMedia((await workshop()).db, id)) === undefined)
    throw new NotFoundError('Its viewing copy was broken off when Gilder was stopped. Send the file again.');
  return { state: 'ready', share: 1, message: '' };
}

/** How loud a video or a sound is over its time, a byte for each twenty-fifth of a second. Throws NotFoundError. */
export async function getSoundPeaks(id: string): Promise<Uint8Array> {
  const path = await mediaPath(id);
  await access(path).catch(() => {
    throw new NotFoundError(`The file "${id}" is not in the data folder.`);
  });
  return hasFfmpeg() ? soundPeaks(path) : new Uint8Array();
}

/** The file of a video or a sound, or a part of it. Throws NotFoundError. */
export async function mediaFile(request: Request, id: string): Promise<Response> {
  const path = await mediaPath(id);
  const { db } = await workshop();
  const mediaType = mediaTypeOf(id);
  const sha256 = (await findMedia(db, id))?.hash;
  const gone = `The file "${id}" is not in the data folder.`;
  return sendFile(request, path, {
    mediaType,
    immutable: true,
    gone,
    ...(sha256 === undefined ? {} : { sha256 }),
  });
}

async function mediaPath(id: string): Promise<string> {
  return join((await workshop()).mediaFolder, mediaFileName(id));
}
