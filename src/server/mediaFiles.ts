import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { NotFoundError } from './respond';

/** The ending of a file that is not whole yet; those that a stop left are cleared at the next start. */
export const INCOMING = '.incoming';

/** The endings of videos and sounds as they are kept, and what such files are. */
const TYPES: Readonly<Record<string, string>> = {
  mp4: 'video/mp4',
  webm: 'video/webm',
  mov: 'video/quicktime',
  mp3: 'audio/mpeg',
  wav: 'audio/wav',
  flac: 'audio/flac',
  ogg: 'audio/ogg',
  m4a: 'audio/mp4',
};
const ID = new RegExp(`^([0-9a-f]{24})-(${Object.keys(TYPES).join('|')})$`);

/** The name of a video's or a sound's file in the folder of both. Throws NotFoundError for what is no id of one. */
export function mediaFileName(id: string): string {
  const found = ID.exec(id);
  if (found === null) throw new NotFoundError(`There is no video or sound "${id.slice(0, 64)}".`);
  return `${found[1]}.${found[2]}`;
}

/** The media type of a kept video or sound, by its id. Throws NotFoundError for what is no id of one. */
export function mediaTypeOf(id: string): string {
  const name = mediaFileName(id);
  return TYPES[name.slice(name.lastIndexOf('.') + 1)];
}

/** Where videos lie in their folder, by id; those that are not there are left out. */
export async function videosHere(
  folder: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const here = new Map<string, string>();
  for (const id of ids.filter((one) => ID.test(one))) {
    const path = join(folder, mediaFileName(id));
    if ((await stat(path).catch(() => null)) !== null) here.set(id, path);
  }
  return here;
}
