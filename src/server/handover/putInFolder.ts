import { createHash } from 'node:crypto';
import { constants } from 'node:fs';
import { copyFile, lstat, mkdir, realpath, rename, rm, writeFile } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';
import { nanoid } from 'nanoid';
import type { HandedFile } from '@/db/handovers';
import { hashFile } from '../hashFile';
import { isThere } from '../isThere';

/** What is to be put into a folder: a file, or bytes. */
export interface Handed {
  readonly name: string;
  readonly content: { readonly path: string; readonly sha256: string } | { readonly bytes: Uint8Array };
}

/** Why something could not be put; words for people. */
export class HandoverError extends Error {
  override readonly name = 'HandoverError';
}

/**
 * A folder under another, made where it is not there. Throws HandoverError where there is no such
 * folder, and where it would lie elsewhere, by a link that leads out.
 */
export async function folderUnder(root: string | null, folder: string): Promise<string> {
  if (root === null)
    throw new HandoverError(
      'Gilder was started without a folder of delivery (GILDER_DELIVERY). Start it with one, then put them again.',
    );
  const base = await realpath(root).catch(() => {
    throw new HandoverError(`The folder of delivery, ${root}, is not there. Make it, or have it mounted.`);
  });
  let at = base;
  for (const name of folder.split('/').filter((one) => one !== '')) {
    at = join(at, name);
    await mkdir(at).catch((error: unknown) => {
      if (!isCode(error, 'EEXIST')) throw wordsFor(error, folder);
    });
    const real = await realpath(at);
    if (real !== at || relative(base, real).startsWith(`..${sep}`))
      throw new HandoverError(`“${name}” in the folder of delivery is a link to somewhere else.`);
  }
  return at;
}

interface PutOf {
  readonly folder: string;
  readonly origin: string;
  /** What was put there under this name before, if it was from here. */
  readonly before: HandedFile | undefined;
}

/**
 * Puts a file into a folder in one step, in place of what was put there before of the same origin. The copy is read back.
 * Gives its SHA-256. Throws HandoverError where there is something else under its name.
 */
export async function putInFolder(
  { name, content }: Handed,
  { folder, origin, before }: PutOf,
): Promise<string> {
  const target = join(folder, name);
  const sha256 = 'bytes' in content ? hashOf(content.bytes) : content.sha256;
  const there = await hashThere(target, name);
  if (there !== null && there !== sha256) {
    if (before === undefined)
      throw new HandoverError(`“${name}” is there already, and was not put there from here.`);
    if (before.origin !== origin)
      throw new HandoverError(`“${name}” is there already, from another project, delivery or kind of file.`);
    if (before.sha256 !== there)
      throw new HandoverError(`“${name}” is there already, and was changed there.`);
  }
  if (there === sha256) return sha256;
  // It begins with a dot, so that who looks into the folder does not take half a file for a whole one.
  const partial = join(folder, `.${name}.${nanoid(8)}.part`);
  try {
    if ('bytes' in content) await writeFile(partial, content.bytes);
    else await copyFile(content.path, partial, constants.COPYFILE_FICLONE);
    if ((await hashFile(partial)) !== sha256)
      throw new HandoverError(`“${name}” was not the same after it was copied.`);
    await rename(partial, target);
  } catch (error) {
    await rm(partial, { force: true });
    throw error instanceof HandoverError ? error : wordsFor(error, name);
  }
  return sha256;
}

async function hashThere(target: string, name: string): Promise<string | null> {
  if (!(await isThere(target))) return null;
  if (!(await lstat(target)).isFile())
    throw new HandoverError(`“${name}” is there already, and is no plain file.`);
  return hashFile(target);
}

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

const isCode = (error: unknown, code: string): boolean =>
  typeof error === 'object' && error !== null && Reflect.get(error, 'code') === code;

const REASONS: readonly (readonly [string, string])[] = [
  ['ENOSPC', 'there is no room left on its disk'],
  ['EACCES', 'Gilder may not write there'],
  ['EPERM', 'Gilder may not write there'],
  ['EROFS', 'its disk can only be read'],
  ['ENOTDIR', 'a file is where a folder should be'],
  ['ENOENT', 'what is copied is not in the data folder any more, or the folder went away'],
];

function wordsFor(error: unknown, what: string): HandoverError {
  const reason = REASONS.find(([code]) => isCode(error, code))?.[1] ?? 'the disk refused it';
  return new HandoverError(`“${what}” could not be put there: ${reason}.`);
}
