import { copyFile, link, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { FileFacts } from '@/contract/jobs';
import type { MadeFile } from '@/db/renders';
import { hashFile } from '../hashFile';
import { pictureListName } from './reuse/pictureList';
import { posterName } from './posterName';

/**
 * Puts a file that was made before into another folder, under another name, if it is still as it was then; null where
 * it is not. It takes no room where the folders share a disk.
 */
export async function takeMade(
  { facts }: MadeFile,
  from: string,
  to: string,
  fileStem: string,
): Promise<Pick<FileFacts, 'name'> | null> {
  const name = `${fileStem}${facts.name.slice(facts.name.lastIndexOf('.'))}`;
  try {
    if ((await hashFile(join(from, facts.name))) !== facts.sha256) return null;
    await putFile(join(from, posterName(facts.name)), join(to, posterName(name)));
    await putFile(join(from, pictureListName(facts.name)), join(to, pictureListName(name))).catch(
      // Not every file has one.
      () => undefined,
    );
    await putFile(join(from, facts.name), join(to, name));
    return { name };
  } catch {
    // Gone with its job, or half gone: it is made again.
    return null;
  }
}

/** Puts a file elsewhere in one step: who reads an old one there reads it to its end. */
export async function putFile(from: string, to: string): Promise<void> {
  const partial = `${to}.${nanoid(8)}.part`;
  await link(from, partial).catch(() => copyFile(from, partial));
  await rename(partial, to);
}
