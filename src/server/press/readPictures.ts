import { open, rm, writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import { srgbOfLinear } from '@/core/colour/transfer';
import type { FrameDifference } from './compareFrame';
import { compareFrame } from './compareFrame';
import { decodeFrame, pixelsOf } from './decodeFrame';
import type { Expected, Found, Reference } from './expected';
import { runTool } from './ffmpeg';
import type { Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';
import { PICTURE_CODECS } from './pictures/pictureCodecs';
import { readStored, storedEntries } from './readStored';

/** Reads a file of one picture back. */
export async function readStill(path: string, expected: Expected): Promise<Found> {
  const differences = [await comparePicture(path, expected, expected.references[0])];
  return { frames: 1, codec: expected.output.frames, differences };
}

/** Reads pictures in a zip back: how many there are, and those that are compared. */
export async function readSequence(path: string, expected: Expected): Promise<Found> {
  const { frames: kind } = expected.output;
  const extension = kind === 'rgba' ? '' : PICTURE_CODECS[kind].extension;
  const file = await open(path);
  const taken = `${path}.frame.${extension}`;
  try {
    const entries = await storedEntries(file);
    const differences: FrameDifference[] = [];
    for (const reference of expected.references) {
      const entry = entries[reference.frame];
      if (entry === undefined) throw new Error(`The zip has no frame ${reference.frame}`);
      await writeFile(taken, await readStored(file, entry));
      differences.push(await comparePicture(taken, expected, reference));
    }
    return { frames: entries.length, codec: kind, differences };
  } finally {
    await file.close();
    await rm(taken, { force: true });
  }
}

// The first and the last time are each rounded to whole milliseconds.
const WEBP_SLACK_MS = 2;

/** Reads an animated WebP back. */
export async function readWebp(path: string, { rate, references, frames }: Expected): Promise<Found> {
  const { pages = 1, delay = [] } = await sharp(path, { animated: true }).metadata();
  const wanted = (frames * 1000 * rate.denominator) / rate.numerator;
  // What never moves is one picture, which has no length.
  const lasts = pages === 1 ? wanted : delay.reduce((sum, one) => sum + one, 0);
  if (Math.abs(lasts - wanted) > WEBP_SLACK_MS)
    throw new Error(`The file lasts ${lasts} ms instead of ${Math.round(wanted)} ms`);
  const frameMs = (1000 * rate.denominator) / rate.numerator;
  const differences: FrameDifference[] = [];
  for (const { frame, pixels } of references) {
    const page = pageAt(delay, (frame + 0.5) * frameMs);
    const decoded = await sharp(path, { page }).ensureAlpha().raw().toBuffer();
    differences.push(compareFrame(pixelsOf(decoded, false), pixels));
  }
  // Pictures that stand for several frames are one page: the length says how many frames there are.
  return { frames: pages > frames ? pages : Math.round(lasts / frameMs), codec: 'webp', differences };
}

/** The page that is shown at a time. */
function pageAt(delay: readonly number[], ms: number): number {
  let end = 0;
  const found = delay.findIndex((one) => (end += one) > ms);
  return found < 0 ? Math.max(0, delay.length - 1) : found;
}

async function comparePicture(
  path: string,
  expected: Expected,
  { pixels }: Reference,
): Promise<FrameDifference> {
  return compareFrame(
    await decodePicture(path, expected, pixels),
    pixels,
    expected.plane === 'premultiplied',
  );
}

async function decodePicture(path: string, { output, format }: Expected, like: Pixels): Promise<Pixels> {
  const input = ['-i', path];
  switch (output.frames) {
    case 'png':
      return decodePng(path, format, isDeep(like));
    case 'exr':
      return decodeExr(input);
    default:
      return decodeFrame(input, like);
  }
}

/**
 * With the picture library, so that PNG can be checked where there is no ffmpeg; straight alpha all the way, so that
 * nothing is rounded.
 */
async function decodePng(
  path: string,
  { widthPx, heightPx }: Expected['format'],
  deep: boolean,
): Promise<Pixels> {
  const shades = deep ? sharp(path).toColourspace('rgb16').raw({ depth: 'ushort' }) : sharp(path).raw();
  const { data, info } = await shades.toBuffer({ resolveWithObject: true });
  if (info.width !== widthPx || info.height !== heightPx) throw new Error('The picture has another size');
  return pixelsOf(data, deep);
}

/** Light multiplied by alpha, in planes of 32-bit floats, as straight colours that can be shown. */
async function decodeExr(input: readonly string[]): Promise<Pixels> {
  const raw = '-frames:v 1 -f rawvideo -pix_fmt gbrapf32le -'.split(' ');
  const bytes = (await runTool('ffmpeg', [...input, ...raw])).slice();
  const floats = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 4);
  const count = floats.length / 4;
  const pixels = new Uint16Array(floats.length);
  const [green, blue, red, alpha] = [0, 1, 2, 3].map((plane) => floats.subarray(plane * count));
  for (let at = 0; at < count; at++) {
    const a = alpha[at];
    if (a === 0) continue;
    for (const [i, plane] of [red, green, blue].entries())
      pixels[at * 4 + i] = Math.round(srgbOfLinear(Math.min(1, plane[at] / a)) * 65_535);
    pixels[at * 4 + 3] = Math.round(a * 65_535);
  }
  return pixels;
}
