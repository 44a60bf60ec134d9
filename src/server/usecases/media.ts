import { mkdir, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromFile } from 'file-type';
import type { TakenVideo } from '@/contract/assets';
import { InputError } from '@/core/kit/inputError';
import { findMedia, putMedia } from '@/db/media';
import type { ReceivedFile } from '../incoming/receiveBody';
import { sendFile } from '../sendFile';
import { videoFileName } from '../videoFiles';
import { workshop } from '../workshop';

/** The largest video that is taken in. */
export const LARGEST_VIDEO_BYTES = 4_000_000_000;
const ACCEPTED = new Map([
  ['video/mp4', 'mp4'],
  ['video/webm', 'webm'],
  ['video/quicktime', 'mov'],
]);

/**
 * Takes in a video, which lies in the data folder under a name of its content; the same content is kept once. Throws
 * InputError for one that is no MP4, WebM or MOV; nothing is kept then.
 */
export async function takeInVideo(name: string, { path, bytes, sha256 }: ReceivedFile): Promise<TakenVideo> {
  const { db, mediaFolder } = await workshop();
  const found = await fileTypeFromFile(path).catch(() => undefined);
  const ending = ACCEPTED.get(found?.mime ?? '');
  if (ending === undefined)
    throw InputError.of(
      `File "${name}"`,
      'an MP4, WebM or MOV video',
      found?.mime ?? 'a file of another kind',
    );
  const id = `${sha256.slice(0, 24)}-${ending}`;
  await mkdir(mediaFolder, { recursive: true });
  await rename(path, join(mediaFolder, videoFileName(id)));
  await putMedia(db, { id, name: name.slice(0, 120), byteCount: bytes, hash: sha256 });
  return { id };
}

/** A video's file, or a part of it. Throws NotFoundError. */
export async function videoFile(request: Request, id: string): Promise<Response> {
  const path = await videoPath(id);
  const { db } = await workshop();
  const [mediaType] = [...ACCEPTED].find(([, ending]) => id.endsWith(`-${ending}`)) ?? ['video/mp4'];
  const sha256 = (await findMedia(db, id))?.hash;
  const gone = `The video "${id}" is not in the data folder.`;
  return sendFile(request, path, {
    mediaType,
    immutable: true,
    gone,
    ...(sha256 === undefined ? {} : { sha256 }),
  });
}

async function videoPath(id: string): Promise<string> {
  return join((await workshop()).mediaFolder, videoFileName(id));
}
