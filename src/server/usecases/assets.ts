import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { nanoid } from 'nanoid';
import type { AssetFacts, TakenPicture } from '@/contract/assets';
import { InputError } from '@/core/kit/inputError';
import { findAssets, listAssets, putAsset } from '@/db/assets';
import type { ReceivedFile } from '../incoming/receiveBody';
import { keepPicture, picturePath } from '../pictures/pictureFiles';
import { preparePicture } from '../pictures/preparePicture';
import { NotFoundError } from '../respond';
import { sendFile } from '../sendFile';
import { workshop } from '../workshop';

/** The largest picture file that is taken in. */
export const LARGEST_BYTES = 40_000_000;

/** Takes in a still from a file that came in. Throws InputError. */
export async function takeInAsset(name: string, file: Pick<ReceivedFile, 'path'>): Promise<TakenPicture> {
  return takeInPicture(name, await readFile(file.path));
}

/** Takes in a still. It must be what its name says, and decode whole. Throws InputError. */
export async function takeInPicture(name: string, bytes: Uint8Array): Promise<TakenPicture> {
  const where = `File "${name}"`;
  if (bytes.length > LARGEST_BYTES)
    throw InputError.of(where, 'a picture of at most 40 MB', `${bytes.length} bytes`);
  const ending = name.toLowerCase().split('.').pop() ?? '';
  const { notes, bytes: content, ...picture } = await preparePicture({ bytes, ending }, where);
  const hash = createHash('sha256').update(content).digest('hex');
  const { db, pictureFolder } = await workshop();
  await keepPicture(pictureFolder, hash, content);
  const id = nanoid(12);
  const facts = { ...picture, id, name: name.slice(0, 120), hash, byteCount: content.length };
  const kept = await putAsset(db, facts);
  return { ...kept, isNew: kept.id === id, notes };
}

/** All stills that were taken in. */
export async function getAssets(): Promise<AssetFacts[]> {
  return listAssets((await workshop()).db);
}

/** A still's file. Throws NotFoundError. */
export async function assetFile(request: Request, id: string): Promise<Response> {
  const { db, pictureFolder } = await workshop();
  const [asset] = await findAssets(db, [id]);
  if (asset === undefined) throw new NotFoundError(`There is no picture "${id}".`);
  return sendFile(request, picturePath(pictureFolder, asset.hash), {
    mediaType: asset.mediaType,
    sha256: asset.hash,
    immutable: true,
    gone: `The file of the picture "${asset.name}" is no longer in the data folder. Bring it in again.`,
  });
}
