import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import type { FontUses, TakenFonts } from '@/contract/fonts';
import type { FaceFile } from '@/core/faces/faceFile';
import { ownFaceId, placeOf } from '@/core/faces/ownFaces';
import { scriptName } from '@/core/faces/scripts';
import { InputError } from '@/core/kit/inputError';
import { forgetFonts, listFonts, putFont, setFontInUse } from '@/db/fonts';
import { findHouse } from '@/db/house';
import { usesInDocuments } from '@/db/room';
import { openFaceFile } from '../faces/openFaceFile';
import type { ReceivedFile } from '../incoming/receiveBody';
import { dropPicture, keepPicture, picturePath } from '../pictures/pictureFiles';
import { ConflictError, NotFoundError } from '../respond';
import { sendFile } from '../sendFile';
import { workshop } from '../workshop';

/** The largest font file that is taken in; the largest faces of Han have about as much. */
export const LARGEST_FONT_BYTES = 40_000_000;
const MOST_FONTS = 500;

/** Takes in a font from a file that came in. Throws InputError. */
export async function takeInFontFile(name: string, file: Pick<ReceivedFile, 'path'>): Promise<TakenFonts> {
  return takeInFonts(name, await readFile(file.path));
}

/**
 * Takes in all fonts of a file. One whose place in its family another one has is kept beside it until somebody puts it
 * in use. Throws InputError; nothing of the file is kept then.
 */
export async function takeInFonts(fileName: string, bytes: Uint8Array): Promise<TakenFonts> {
  const where = `File "${fileName}"`;
  if (bytes.length > LARGEST_FONT_BYTES)
    throw InputError.of(where, `a font of at most ${LARGEST_FONT_BYTES / 1e6} MB`, `${bytes.length} bytes`);
  const opened = await openFaceFile(bytes, where);
  const { db, pictureFolder, news } = await workshop();
  const count = (await listFonts(db)).length;
  if (count + opened.length > MOST_FONTS)
    throw InputError.of(
      where,
      `at most ${MOST_FONTS} font files in all`,
      `${count} and these`,
      'Remove some first.',
    );
  const taken: TakenFonts['fonts'][number][] = [];
  for (const { facts, bytes: plain } of opened) {
    const id = createHash('sha256').update(plain).digest('hex');
    const known = await listFonts(db);
    const file: FaceFile = {
      ...facts,
      id,
      fileName: fileName.slice(0, 120),
      byteCount: plain.length,
      inUse: false,
    };
    const instead = known.find((one) => one.id !== id && one.inUse && placeOf(one) === placeOf(file));
    await keepPicture(pictureFolder, id, plain);
    const isNew = await putFont(db, file);
    if (instead === undefined) await setFontInUse(db, file);
    taken.push({
      id,
      name: facts.name,
      isNew,
      inUse: instead === undefined,
      instead: instead?.version ?? null,
    });
  }
  news.tell({ kind: 'fonts' });
  return { fonts: taken };
}

/** All font files that the House took in. */
export async function getFonts(): Promise<FaceFile[]> {
  return listFonts((await workshop()).db);
}

/** A font's file. Throws NotFoundError. */
export async function fontFile(request: Request, id: string): Promise<Response> {
  const { fileName, name } = await getFont(id);
  const { pictureFolder } = await workshop();
  return sendFile(request, picturePath(pictureFolder, id), {
    mediaType: 'font/sfnt',
    sha256: id,
    immutable: true,
    gone: `The file of the font "${name}" (${fileName}) is no longer in the data folder. Bring it in again.`,
  });
}

/** Puts a font file in use, in place of the one with its family, weight and slope. Throws NotFoundError. */
export async function putFontInUse(id: string): Promise<void> {
  const { db, news } = await workshop();
  await setFontInUse(db, await getFont(id));
  news.tell({ kind: 'fonts' });
}

/** What is set in the face that a font file belongs to. Throws NotFoundError. */
export async function fontUses(id: string): Promise<FontUses> {
  return { names: await usesOfFace(ownFaceId(await getFont(id))) };
}

/**
 * Removes a font file. Throws NotFoundError, and ConflictError for one whose face is in use, with what uses it: words
 * would be set in another face without a word.
 */
export async function removeFont(id: string): Promise<void> {
  const file = await getFont(id);
  const names = file.inUse ? await usesOfFace(ownFaceId(file)) : [];
  if (names.length > 0)
    throw new ConflictError(`“${file.name}” is in use by ${names.join(', ')}, so it was not removed.`);
  await dropFonts([id]);
}

/** Removes font files, whatever uses them. */
export async function dropFonts(ids: readonly string[]): Promise<void> {
  const { db, pictureFolder, news } = await workshop();
  await forgetFonts(db, ids);
  for (const id of ids) await dropPicture(pictureFolder, id);
  if (ids.length > 0) news.tell({ kind: 'fonts' });
}

async function usesOfFace(faceId: string): Promise<string[]> {
  const { db } = await workshop();
  const { faces, fallbacks = [] } = (await findHouse(db)).document;
  const inHouse = faces.filter(({ face }) => face === faceId).map(({ name }) => `House, ${name}`);
  const standsIn = fallbacks
    .filter((one) => one.faces.includes(faceId))
    .map(({ script }) => `House, fallback for ${scriptName(script) ?? script}`);
  return [...(await usesInDocuments(db, faceId)), ...inHouse, ...standsIn];
}

async function getFont(id: string): Promise<FaceFile> {
  const found = (await getFonts()).find((one) => one.id === id);
  if (found === undefined) throw new NotFoundError(`There is no font "${id.slice(0, 64)}".`);
  return found;
}
