import { loadImage } from '@napi-rs/canvas';
import { fileTypeFromBuffer } from 'file-type';
import type { Metadata, Sharp } from 'sharp';
import sharp from 'sharp';
import type { PictureTask, PreparedPicture } from './pictureTask';
import { RefusedFile } from '../opening/refusedFile';
import { LARGEST_SIDE_PX } from './pictureTask';

const MEDIA_TYPES = {
  png: { mediaType: 'image/png', endings: ['png'] },
  jpeg: { mediaType: 'image/jpeg', endings: ['jpg', 'jpeg'] },
  webp: { mediaType: 'image/webp', endings: ['webp'] },
} as const;

// One thread: what a picture may cost is counted in seconds of one processor.
sharp.concurrency(1);
sharp.cache(false);

/**
 * A picture of pixels that decodes whole. One that every painter shows alike (8 bits, sRGB, upright, one frame) is kept
 * as it is; any other becomes a PNG in sRGB, and the notes say from what. Throws RefusedFile.
 */
export async function preparePixels({ bytes, ending }: PictureTask): Promise<PreparedPicture> {
  const open = (): Sharp =>
    sharp(bytes, { failOn: 'warning', limitInputPixels: LARGEST_SIDE_PX * LARGEST_SIDE_PX, pages: 1 });
  const kind = await kindOf(bytes, ending);
  const found = await sharp(bytes, { limitInputPixels: false }).metadata().catch(refuseBroken);
  refuseHuge(found);
  refuseWithoutProfile(found);
  const notes = notesOn(found, await framesOf(bytes, found));
  const { data, info } = await open()
    .autoOrient()
    .toColourspace('srgb')
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true })
    .catch(refuseBroken);
  const { width: widthPx, height: heightPx, channels } = info;
  const size = { widthPx, heightPx, ownWidth: widthPx, ownHeight: heightPx, notes };
  if (notes.length === 0) {
    await loadImage(bytes).catch(refuseBroken);
    return { ...size, mediaType: kind.mediaType, bytes };
  }
  const raw = { width: widthPx, height: heightPx, channels };
  const png = await sharp(data, { raw }).png({ compressionLevel: 4 }).toBuffer();
  return { ...size, mediaType: 'image/png', bytes: png };
}

type Kind = (typeof MEDIA_TYPES)[keyof typeof MEDIA_TYPES];

/** The kind that the bytes say; the name must say the same. */
async function kindOf(bytes: Uint8Array, ending: string): Promise<Kind> {
  const found = await fileTypeFromBuffer(bytes).catch(() => undefined);
  // An animated PNG is a PNG to whoever names it.
  const mime = found?.mime === 'image/apng' ? 'image/png' : found?.mime;
  const kind = Object.values(MEDIA_TYPES).find(({ mediaType }) => mediaType === mime);
  if (kind === undefined)
    throw RefusedFile.of('a PNG, JPEG, WebP or SVG picture', found?.mime ?? 'a file of another kind');
  if (!kind.endings.some((one) => one === ending)) {
    const expected = `a name that ends in .${kind.endings[0]}, since it is ${kind.mediaType}`;
    throw RefusedFile.of(expected, `.${ending}`, 'Rename the file to what it is.');
  }
  return kind;
}

function refuseBroken(error: unknown): never {
  const told = error instanceof Error ? error.message.split('\n')[0] : String(error);
  throw RefusedFile.of('a picture that is whole', `one that stops decoding (${told})`);
}

function refuseHuge({ width, height }: Metadata): void {
  if (width <= LARGEST_SIDE_PX && height <= LARGEST_SIDE_PX) return;
  throw RefusedFile.of(
    `at most ${LARGEST_SIDE_PX} px a side`,
    `${width} × ${height}`,
    'Scale it down first.',
  );
}

function refuseWithoutProfile({ space, icc }: Metadata): void {
  if (space !== 'cmyk' || icc !== undefined) return;
  const advice = 'Export it in sRGB, or with its profile.';
  throw RefusedFile.of('a CMYK picture with its colour profile', 'one without', advice);
}

/** How many frames a file has; PNG keeps the number in a chunk of its own (acTL, W3C PNG third edition, 11.3.6). */
async function framesOf(bytes: Uint8Array, { format }: Metadata): Promise<number> {
  if (format === 'png') return framesOfPng(bytes);
  if (format !== 'webp') return 1;
  return (await sharp(bytes, { pages: -1 }).metadata()).pages ?? 1;
}

const AFTER_SIGNATURE = 8;

function framesOfPng(bytes: Uint8Array): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = AFTER_SIGNATURE; at + 12 <= bytes.length;) {
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (type === 'acTL') return view.getUint32(at + 8);
    if (type === 'IDAT') return 1;
    at += 12 + view.getUint32(at);
  }
  return 1;
}

/** What has to be done to a picture so that every painter shows it alike; empty when nothing has. */
function notesOn({ space, depth, icc, orientation }: Metadata, frames: number): string[] {
  const notes: string[] = [];
  if (frames > 1) notes.push(`It has ${frames} frames; the first is kept.`);
  if (space === 'cmyk') notes.push('Converted from CMYK to sRGB by its profile.');
  else if (icc !== undefined && !isSrgb(icc)) notes.push('Converted to sRGB by its profile.');
  if (depth !== 'uchar') notes.push('Brought from 16 bits a channel to 8.');
  if ((orientation ?? 1) !== 1) notes.push('Turned upright as its camera says.');
  return notes;
}

/** Whether a profile is that of sRGB, by the name in its description (ASCII or UTF-16, ICC.1). */
function isSrgb(icc: Uint8Array): boolean {
  return Buffer.from(icc).toString('latin1').replaceAll('\0', '').includes('sRGB');
}
