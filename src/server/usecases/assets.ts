import { createHash } from 'node:crypto';
import { loadImage } from '@napi-rs/canvas';
import { fileTypeFromBuffer } from 'file-type';
import { nanoid } from 'nanoid';
import { InputError } from '@/core/kit/inputError';
import type { AssetFacts } from '@/db/assets';
import { findAsset, listAssets, putAsset } from '@/db/assets';
import { NotFoundError } from '../respond';
import { workshop } from '../workshop';

/** The largest picture file that is taken in. */
export const LARGEST_BYTES = 40 * 1024 * 1024;
const LARGEST_SIDE_PX = 8192;
const ACCEPTED = new Map([
  ['image/png', ['png']],
  ['image/jpeg', ['jpg', 'jpeg']],
  ['image/webp', ['webp']],
]);

/** Takes in a still. It must be what its name says, and a picture that can really be decoded. Throws InputError. */
export async function takeInAsset(name: string, bytes: Uint8Array): Promise<AssetFacts> {
  const where = `File "${name}"`;
  if (bytes.length === 0 || bytes.length > LARGEST_BYTES) {
    throw InputError.of(where, 'a picture of at most 40 MB', `${bytes.length} bytes`);
  }
  const found = await fileTypeFromBuffer(bytes);
  const endings = ACCEPTED.get(found?.mime ?? '');
  if (found === undefined || endings === undefined) {
    throw InputError.of(where, 'a PNG, JPEG or WebP picture', found?.mime ?? 'a file of another kind');
  }
  const ending = name.toLowerCase().split('.').pop() ?? '';
  if (!endings.includes(ending)) {
    throw InputError.of(
      where,
      `a name that ends in .${endings[0]}, since it is ${found.mime}`,
      ending,
      'Rename the file to what it is.',
    );
  }
  const { width, height } = await decode(bytes, where);
  if (width > LARGEST_SIDE_PX || height > LARGEST_SIDE_PX) {
    throw InputError.of(
      where,
      `at most ${LARGEST_SIDE_PX} px a side`,
      `${width} × ${height}`,
      'Scale it down first.',
    );
  }
  const hash = createHash('sha256').update(bytes).digest('hex');
  const { db } = await workshop();
  return putAsset(db, {
    id: nanoid(12),
    name: name.slice(0, 120),
    mediaType: found.mime,
    hash,
    widthPx: width,
    heightPx: height,
    bytes,
  });
}

async function decode(bytes: Uint8Array, where: string): Promise<{ width: number; height: number }> {
  try {
    const { width, height } = await loadImage(bytes);
    return { width, height };
  } catch {
    throw InputError.of(where, 'a picture that is whole', 'one that cannot be decoded', 'Export it again.');
  }
}

/** All stills that were taken in. */
export async function getAssets(): Promise<AssetFacts[]> {
  return listAssets((await workshop()).db);
}

/** A still's file. Throws NotFoundError. */
export async function assetFile(id: string): Promise<Response> {
  const asset = await findAsset((await workshop()).db, id);
  if (asset === undefined) throw new NotFoundError(`There is no picture "${id}".`);
  return new Response(Uint8Array.from(asset.bytes), {
    headers: {
      'Content-Type': asset.mediaType,
      'Cache-Control': 'private, max-age=31536000, immutable',
      'X-Content-Type-Options': 'nosniff',
    },
  });
}
