import { open } from 'node:fs/promises';
import { join } from 'node:path';
import type { Output } from '@/core/outputs/output';
import type { MadeFile } from '@/db/renders';
import { hashFile } from '../../hashFile';
import { readMov } from '../mov/readMov';
import { readStored, storedEntries } from '../readStored';
import { readPictureList } from './pictureList';

/** A file that was made of a title before, from which pictures that did not change are taken as they are coded. */
export interface EarlierFile {
  readonly keys: ReadonlySet<string>;
  /** The coded bytes of a picture that it has. */
  read(key: string): Promise<Buffer>;
  close(): Promise<void>;
}

/**
 * Opens a file that was made before, in the folder of its job; null where it is gone, is not as it was then, or its
 * pictures do not stand alone.
 */
export async function openEarlier(
  { facts }: Pick<MadeFile, 'facts'>,
  folder: string,
  { extension }: Output,
): Promise<EarlierFile | null> {
  const list = await readPictureList(folder, facts.name);
  if (list === null || (extension !== 'mov' && extension !== 'zip')) return null;
  const path = join(folder, facts.name);
  try {
    if ((await hashFile(path)) !== facts.sha256) return null;
    return await (extension === 'mov' ? openMov(path, firstFrames(list)) : openZip(path, firstFrames(list)));
  } catch {
    return null;
  }
}

/** The first frame that shows each picture, by key. */
function firstFrames(list: NonNullable<Awaited<ReturnType<typeof readPictureList>>>): Map<string, number> {
  const first = new Map<string, number>();
  let frame = 0;
  for (const { key, repeats } of list) {
    if (!first.has(key)) first.set(key, frame);
    frame += repeats;
  }
  return first;
}

async function openMov(path: string, frames: ReadonlyMap<string, number>): Promise<EarlierFile> {
  const { samples } = await readMov(path);
  const file = await open(path);
  const read = async (key: string): Promise<Buffer> => {
    const { offset, bytes } = samples[placeOf(frames, key)];
    const picture = Buffer.alloc(bytes);
    const { bytesRead } = await file.read(picture, 0, bytes, offset);
    if (bytesRead < bytes) throw new Error('The file that was made before is not whole');
    return picture;
  };
  return { keys: new Set(frames.keys()), read, close: () => file.close() };
}

async function openZip(path: string, frames: ReadonlyMap<string, number>): Promise<EarlierFile> {
  const file = await open(path);
  const entries = await storedEntries(file);
  const read = (key: string): Promise<Buffer> => readStored(file, entries[placeOf(frames, key)]);
  return { keys: new Set(frames.keys()), read, close: () => file.close() };
}

function placeOf(frames: ReadonlyMap<string, number>, key: string): number {
  const frame = frames.get(key);
  if (frame === undefined) throw new Error(`The file that was made before has no picture ${key}`);
  return frame;
}
