import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { NotFoundError } from './respond';

/** The ending of a file that is not whole yet; those that a stop left are cleared at the next start. */
export const INCOMING = '.incoming';

const ID = /^([0-9a-f]{24})-(mp4|webm|mov|mp3|wav|flac|ogg|m4a)$/;

/** The name of a video's or a sound's file in the folder of both. Throws NotFoundError for what is no id of one. */
export function mediaFileName(id: string): string {
  const found = ID.exec(id);
  if (found === null) throw new NotFoundError(`There is no video or sound "${id.slice(0, 64)}".`);
  return `${found[1]}.${found[2]}`;
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
