import { createHash } from 'node:crypto';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { fileTypeFromBuffer } from 'file-type';
import { imageSize } from 'image-size';
import { nanoid } from 'nanoid';
import type { AssetFacts } from '@/contract/assets';
import { InputError } from '@/core/kit/inputError';
import { findAsset, listAssets, putAsset } from '@/db/assets';
import { cleanSvg } from '../cleanSvg';
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
  if (name.toLowerCase().endsWith('.svg')) return keep(name, await drawSvg(bytes, where), 'image/png', where);
  const found = await fileTypeFromBuffer(bytes);
  const endings = ACCEPTED.get(found?.mime ?? '');
  if (found === undefined || endings === undefined) {
    throw InputError.of(where, 'a PNG, JPEG, WebP or SVG picture', found?.mime ?? 'a file of another kind');
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
  refuseHuge(bytes, where);
  return keep(name, bytes, found.mime, where);
}

/** Says what is wrong with a picture's size from its first bytes, before anything of it is decoded. */
function refuseHuge(bytes: Uint8Array, where: string): void {
  const { width, height } = sizeFromHead(bytes, where);
  if (width > LARGEST_SIDE_PX || height > LARGEST_SIDE_PX) {
    throw InputError.of(
      where,
      `at most ${LARGEST_SIDE_PX} px a side`,
      `${width} × ${height}`,
      'Scale it down first.',
    );
  }
}

function sizeFromHead(bytes: Uint8Array, where: string): { width: number; height: number } {
  try {
    return imageSize(bytes);
  } catch {
    throw InputError.of(where, 'a picture that is whole', 'one without a size', 'Export it again.');
  }
}

async function keep(name: string, bytes: Uint8Array, mediaType: string, where: string): Promise<AssetFacts> {
  const { width, height } = await decode(bytes, where);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const { db } = await workshop();
  return putAsset(db, {
    id: nanoid(12),
    name: name.slice(0, 120),
    mediaType,
    hash,
    widthPx: width,
    heightPx: height,
    bytes,
  });
}

// Drawn this large on its longer side, so that it stays sharp in a 2160p frame.
const SVG_SIDE_PX = 2048;

/** A cleaned SVG as a PNG, so that every painter shows the same pixels. */
async function drawSvg(bytes: Uint8Array, where: string): Promise<Uint8Array> {
  const clean = cleanSvg(new TextDecoder().decode(bytes), where);
  try {
    const image = await loadImage(Buffer.from(clean));
    const scale = SVG_SIDE_PX / Math.max(image.width, image.height);
    const canvas = createCanvas(Math.round(image.width * scale), Math.round(image.height * scale));
    const context = canvas.getContext('2d');
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await canvas.encode('png');
  } catch {
    throw InputError.of(
      where,
      'an SVG that can be drawn',
      'one that cannot',
      'Give it a width and a height.',
    );
  }
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
