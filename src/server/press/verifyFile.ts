import { open, readFile, stat } from 'node:fs/promises';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import type { FrameFormat } from '@/core/frame/formats';
import type { Output } from '@/core/outputs';
import type { FrameRate } from '@/core/time/rates';
import { hashFile } from '../hashFile';
import { runTool } from './ffmpeg';
import { rateArgument } from './sink';

export interface Expected {
  readonly output: Output;
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  readonly frames: number;
  readonly reference: { readonly frame: number; readonly alpha: Uint8Array };
}

export interface VerifiedFile {
  readonly bytes: number;
  readonly frames: number;
  readonly codec: string;
  readonly alphaErrorMax: number;
  readonly sha256: string;
}

/** Reads a finished file back: its size, its rate, its number of frames, and the alpha of one decoded frame. */
export async function verifyFile(path: string, expected: Expected): Promise<VerifiedFile> {
  const { size } = await stat(path);
  const read = readers[expected.output.extension];
  const found = await read(path, expected);
  if (found.frames !== expected.frames)
    throw new Error(`The file has ${found.frames} frames instead of ${expected.frames}`);
  if (found.alphaErrorMax > expected.output.alphaTolerance) {
    throw new Error(`Alpha in the file differs by up to ${found.alphaErrorMax} of 255 from what was painted`);
  }
  return { bytes: size, sha256: await hashFile(path), ...found };
}

type Found = Omit<VerifiedFile, 'bytes' | 'sha256'>;

const readers: Readonly<Record<Output['extension'], (path: string, expected: Expected) => Promise<Found>>> = {
  mov: readVideo,
  webm: readVideo,
  png: readStill,
  zip: readSequence,
};

async function readVideo(path: string, expected: Expected): Promise<Found> {
  const { format, rate, reference } = expected;
  const entries = 'stream=codec_name,width,height,r_frame_rate,nb_read_packets';
  const json: unknown = JSON.parse(
    (
      await runTool('ffprobe', [
        '-count_packets',
        '-select_streams',
        'v:0',
        '-show_entries',
        entries,
        '-of',
        'json',
        path,
      ])
    ).toString(),
  );
  const stream = firstStream(json);
  if (stream.width !== format.widthPx || stream.height !== format.heightPx) {
    throw new Error(
      `The file is ${String(stream.width)} × ${String(stream.height)} instead of ${format.widthPx} × ${format.heightPx}`,
    );
  }
  if (stream.r_frame_rate !== rateArgument(rate))
    throw new Error(`The file runs at ${String(stream.r_frame_rate)} frames a second`);
  const decoder = stream.codec_name === 'vp9' ? ['-c:v', 'libvpx-vp9'] : [];
  // A little before the frame's own time, so that rounding in the file does not skip it.
  const seek = Math.max(0, ((reference.frame - 0.4) * rate.denominator) / rate.numerator).toFixed(6);
  const raw = ['-frames:v', '1', '-f', 'rawvideo', '-pix_fmt', 'rgba', '-'];
  const pixels = await runTool('ffmpeg', [...decoder, '-ss', seek, '-i', path, ...raw]);
  return {
    frames: Number(stream.nb_read_packets),
    codec: String(stream.codec_name),
    alphaErrorMax: alphaError(pixels, reference.alpha),
  };
}

function firstStream(json: unknown): Record<string, unknown> {
  const streams: unknown =
    typeof json === 'object' && json !== null ? Reflect.get(json, 'streams') : undefined;
  const first: unknown = Array.isArray(streams) ? streams[0] : undefined;
  if (typeof first !== 'object' || first === null) throw new Error('The file has no picture in it');
  return { ...first };
}

async function readStill(path: string, { format, reference }: Expected): Promise<Found> {
  return {
    frames: 1,
    codec: 'png',
    alphaErrorMax: await pngAlphaError(await readFile(path), format, reference.alpha),
  };
}

const END_OF_DIRECTORY = 0x06054b50;

async function readSequence(path: string): Promise<Found> {
  const file = await open(path);
  try {
    const { size } = await file.stat();
    const tail = Buffer.alloc(22);
    await file.read(tail, 0, 22, Math.max(0, size - 22));
    if (tail.readUInt32LE(0) !== END_OF_DIRECTORY) throw new Error('The zip is not complete');
    return { frames: tail.readUInt16LE(10), codec: 'png', alphaErrorMax: 0 };
  } finally {
    await file.close();
  }
}

async function pngAlphaError(bytes: Buffer, format: FrameFormat, alpha: Uint8Array): Promise<number> {
  const image = await loadImage(bytes);
  if (image.width !== format.widthPx || image.height !== format.heightPx)
    throw new Error('The picture has another size');
  const context = createCanvas(format.widthPx, format.heightPx).getContext('2d');
  context.drawImage(image, 0, 0);
  return alphaError(context.getImageData(0, 0, format.widthPx, format.heightPx).data, alpha);
}

function alphaError(pixels: Uint8Array | Uint8ClampedArray, alpha: Uint8Array): number {
  if (pixels.length !== alpha.length * 4) throw new Error('The decoded frame has another size');
  let worst = 0;
  for (let i = 0; i < alpha.length; i++) worst = Math.max(worst, Math.abs(pixels[i * 4 + 3] - alpha[i]));
  return worst;
}
