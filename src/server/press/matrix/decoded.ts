import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import sharp from 'sharp';

const MOST_BYTES = 200e6;

/** What ffprobe says of the pictures in a file. */
export interface Probed {
  readonly codec: string;
  readonly size: string;
  readonly rate: string;
  readonly packets: number;
  readonly colour: string;
  readonly fields: string;
  /** The label of its first frame; null where it says none. */
  readonly timecode: string | null;
  readonly aspect: string;
  /** Each different length of a frame once, in seconds. */
  readonly lasts: readonly number[];
}

export function probeFile(path: string): Probed {
  const entries =
    'stream=codec_name,width,height,r_frame_rate,color_space,color_primaries,color_transfer,field_order,sample_aspect_ratio:stream_tags=timecode:format_tags=timecode:packet=duration_time';
  const args = ['-v', 'error', '-select_streams', 'v:0', '-of', 'json', '-show_entries', entries, path];
  const said = JSON.parse(execFileSync('ffprobe', args, { maxBuffer: MOST_BYTES }).toString()) as {
    readonly streams: readonly (Readonly<Record<string, string>> & {
      readonly tags?: { readonly timecode?: string };
    })[];
    readonly packets: readonly { readonly duration_time: string }[];
    readonly format?: { readonly tags?: { readonly timecode?: string } };
  };
  const [stream] = said.streams;
  return {
    codec: stream.codec_name,
    size: `${stream.width}x${stream.height}`,
    rate: stream.r_frame_rate,
    packets: said.packets.length,
    colour: [stream.color_space, stream.color_primaries, stream.color_transfer].join(),
    fields: stream.field_order ?? 'unknown',
    aspect: stream.sample_aspect_ratio ?? 'none',
    timecode: stream.tags?.timecode ?? said.format?.tags?.timecode ?? null,
    lasts: [...new Set(said.packets.map(({ duration_time }) => Number(duration_time)))],
  };
}

/** The names in a zip, in their order, and how to write one of them to a file. */
export function inZip(path: string): {
  readonly names: readonly string[];
  take(name: string, to: string): void;
} {
  const entries = unzipSync(readFileSync(path));
  return { names: Object.keys(entries), take: (name, to) => writeFileSync(to, entries[name]) };
}

/** A frame of a file as RGBA, decoded by a reader that believes what the file says. */
export async function decodeOf(path: string, frame: number, rate: number): Promise<Uint8Array> {
  // No ffmpeg before the seventh reads moving WebP.
  if (path.endsWith('.webp')) return webpFrame(path, (frame + 0.5) / rate);
  if (path.endsWith('.zip')) return zippedFrame(path, frame);
  return new Uint8Array(
    execFileSync(
      'ffmpeg',
      [
        ...'-v error'.split(' '),
        ...(path.endsWith('.webm') ? ['-c:v', 'libvpx-vp9'] : []),
        // Light becomes what is shown.
        ...(path.endsWith('.exr') ? ['-apply_trc', 'iec61966_2_1'] : []),
        ...(frame === 0 ? [] : ['-ss', String((frame - 0.4) / rate)]),
        ...['-i', path],
        ...'-frames:v 1 -sws_flags accurate_rnd+full_chroma_int -f rawvideo -pix_fmt rgba -'.split(' '),
      ],
      { maxBuffer: MOST_BYTES },
    ),
  );
}

async function zippedFrame(path: string, frame: number): Promise<Uint8Array> {
  const { names, take } = inZip(path);
  const folder = mkdtempSync(join(tmpdir(), 'gilder-zip-'));
  try {
    const one = join(folder, names[frame]);
    take(names[frame], one);
    return await decodeOf(one, 0, 1);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

async function webpFrame(path: string, seconds: number): Promise<Uint8Array> {
  const { delay = [] } = await sharp(path, { animated: true }).metadata();
  let end = 0;
  const page = delay.findIndex((one) => (end += one / 1000) > seconds);
  return new Uint8Array(await sharp(path, { page }).ensureAlpha().raw().toBuffer());
}
