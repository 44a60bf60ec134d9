import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import * as yup from 'yup';
import { checkValue } from '@/core/model/check';

/** A picture of a file: its key, and how many frames in a row show it. */
export interface ListedPicture {
  readonly key: string;
  readonly repeats: number;
}

const listSchema = yup
  .array()
  .of(yup.object({ key: yup.string().required(), repeats: yup.number().integer().required() }).required())
  .required();

/** The file with the list of what pictures a rendered file has. */
export function pictureListName(name: string): string {
  return `${name}.pictures.json`;
}

/** Keeps which pictures a file has, beside it. */
export async function writePictureList(
  folder: string,
  name: string,
  pictures: readonly ListedPicture[],
): Promise<void> {
  await writeFile(join(folder, pictureListName(name)), JSON.stringify(pictures));
}

/** Which pictures a file has; null where that was not kept, or cannot be read. */
export async function readPictureList(
  folder: string,
  name: string,
): Promise<readonly ListedPicture[] | null> {
  try {
    const kept: unknown = JSON.parse(await readFile(join(folder, pictureListName(name)), 'utf8'));
    return checkValue<readonly ListedPicture[]>(listSchema, kept, pictureListName(name));
  } catch {
    return null;
  }
}
