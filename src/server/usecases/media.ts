import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromFile } from 'file-type';
import { nanoid } from 'nanoid';
import { InputError } from '@/core/kit/inputError';
import { NotFoundError } from '../respond';
import { streamToWeb } from '../streamToWeb';
import { workshop } from '../workshop';

/** The largest video that is taken in. */
export const LARGEST_VIDEO_BYTES = 1024 * 1024 * 1024;
const ACCEPTED = new Map([
  ['video/mp4', 'mp4'],
  ['video/webm', 'webm'],
  ['video/quicktime', 'mov'],
]);

/**
 * Takes in a video, which lies in the data folder under a name of its content; the same content is kept once. Throws
 * InputError for one that is too long or no MP4, WebM or MOV; nothing is kept then.
 */
export async function takeInVideo(
  name: string,
  body: ReadableStream<Uint8Array> | null,
): Promise<{ readonly id: string }> {
  const where = `File "${name}"`;
  const { mediaFolder } = await workshop();
  await mkdir(mediaFolder, { recursive: true });
  const partial = join(mediaFolder, `${nanoid(12)}.part`);
  try {
    const hash = await writeBody(partial, body, where);
    const found = await fileTypeFromFile(partial);
    const ending = ACCEPTED.get(found?.mime ?? '');
    if (ending === undefined)
      throw InputError.of(where, 'an MP4, WebM or MOV video', found?.mime ?? 'a file of another kind');
    const id = `${hash.slice(0, 24)}-${ending}`;
    await rename(partial, join(mediaFolder, fileNameOf(id)));
    return { id };
  } finally {
    await rm(partial, { force: true });
  }
}

async function writeBody(
  path: string,
  body: ReadableStream<Uint8Array> | null,
  where: string,
): Promise<string> {
  const hash = createHash('sha256');
  const file = await open(path, 'w');
  let length = 0;
  try {
    for await (const chunk of body ?? []) {
      length += chunk.length;
      if (length > LARGEST_VIDEO_BYTES) throw InputError.of(where, 'at most 1 GB', 'more');
      hash.update(chunk);
      await file.write(chunk);
    }
    await file.sync();
  } finally {
    await file.close();
  }
  if (length === 0) throw InputError.of(where, 'a video', 'an empty file');
  return hash.digest('hex');
}

const ID = /^([0-9a-f]{24})-(mp4|webm|mov)$/;

function fileNameOf(id: string): string {
  const found = ID.exec(id);
  if (found === null) throw new NotFoundError(`There is no video "${id}".`);
  return `${found[1]}.${found[2]}`;
}

/** A video's file. Throws NotFoundError. */
export async function videoFile(id: string): Promise<Response> {
  const path = await videoPath(id);
  const { size } = await stat(path).catch(() => {
    throw new NotFoundError(`The video "${id}" is not in the data folder.`);
  });
  const [mediaType] = [...ACCEPTED].find(([, ending]) => id.endsWith(`-${ending}`)) ?? ['video/mp4'];
  return new Response(streamToWeb(createReadStream(path)), {
    headers: {
      'Content-Type': mediaType,
      'Content-Length': String(size),
      'Cache-Control': 'private, max-age=31536000, immutable',
      'X-Content-Type-Options': 'nosniff',
    },
  });
}

async function videoPath(id: string): Promise<string> {
  return join((await workshop()).mediaFolder, fileNameOf(id));
}
