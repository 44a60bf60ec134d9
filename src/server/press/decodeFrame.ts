import { runTool } from './ffmpeg';
import type { Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';

const AS_EXACT_AS_IT_GOES = '-frames:v 1 -sws_flags accurate_rnd+full_chroma_int+bicubic -f rawvideo'.split(
  ' ',
);

/** One frame of a file as ffmpeg decodes it: RGBA of as many bits as what it is compared with. `input`: what to open, and where. */
export async function decodeFrame(input: readonly string[], like: Pixels): Promise<Pixels> {
  const deep = isDeep(like);
  const pixelFormat = ['-pix_fmt', deep ? 'rgba64le' : 'rgba', '-'];
  const bytes = await runTool('ffmpeg', [...input, ...AS_EXACT_AS_IT_GOES, ...pixelFormat]);
  return pixelsOf(bytes, deep);
}

/** Bytes as pixels of 8 bits a channel, or of 16 with the lesser byte first. */
export function pixelsOf(bytes: Uint8Array, deep: boolean): Pixels {
  const own = bytes.slice();
  return deep ? new Uint16Array(own.buffer) : new Uint8ClampedArray(own.buffer);
}
