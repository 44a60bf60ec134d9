import { spawn } from 'node:child_process';
import type { ChildProcessByStdio } from 'node:child_process';
import type { Readable } from 'node:stream';
import type { FrameRate } from '@/core/time/rates';
import { runTool } from '../ffmpeg';
import { rateArgument } from '../sink';

interface Size {
  readonly widthPx: number;
  readonly heightPx: number;
}

// Files without tags: high definition is taken to be BT.709, what is smaller BT.601, as players do.
const HD_LINES = 720;

/** The matrix that a video's colours are in, as ffmpeg calls it; what the file says, else by its size. */
async function matrixOf(path: string): Promise<string> {
  const args = '-select_streams v:0 -show_entries stream=color_space,height -of csv=p=0'.split(' ');
  const [height = '0', space = ''] = (await runTool('ffprobe', [...args, path])).toString().trim().split(',');
  if (/^(bt709|bt470bg|smpte170m|bt2020nc)$/.test(space)) return space === 'bt2020nc' ? 'bt2020' : space;
  return Number(height) >= HD_LINES ? 'bt709' : 'smpte170m';
}

/**
 * Reads a video frame by frame at a rate, from one of its frames on: straight RGBA, filling the size without being
 * stretched. After its last frame it goes on with that one.
 */
export class VideoReader {
  private readonly chunks: AsyncIterator<unknown>;
  private rest: Buffer = Buffer.alloc(0);
  private last: Buffer | null = null;

  private constructor(
    private readonly process: ChildProcessByStdio<null, Readable, null>,
    private readonly frameBytes: number,
    /** The frame that is read next. */
    public next: number,
  ) {
    this.chunks = process.stdout[Symbol.asyncIterator]();
  }

  static async open(
    path: string,
    first: number,
    rate: FrameRate,
    { widthPx, heightPx }: Size,
  ): Promise<VideoReader> {
    // A little before the frame's own time, so that rounding in the file does not skip it.
    const seek = Math.max(0, ((first - 0.4) * rate.denominator) / rate.numerator);
    const filters = [
      `fps=${rateArgument(rate)}:start_time=0`,
      "scale='iw*sar':ih,setsar=1",
      `scale=${widthPx}:${heightPx}:force_original_aspect_ratio=increase:in_color_matrix=${await matrixOf(path)}`,
      `crop=${widthPx}:${heightPx}`,
    ];
    const process = spawn(
      'ffmpeg',
      [
        ...['-v', 'error', '-nostdin', '-protocol_whitelist', 'file', '-ss', seek.toFixed(6), '-i', path],
        ...['-map', '0:v:0', '-an', '-vf', filters.join(',')],
        ...[
          '-sws_flags',
          'accurate_rnd+full_chroma_int+bicubic',
          '-f',
          'rawvideo',
          '-pix_fmt',
          'rgba',
          'pipe:1',
        ],
      ],
      { stdio: ['ignore', 'pipe', 'ignore'] },
    );
    process.on('error', () => undefined);
    return new VideoReader(process, widthPx * heightPx * 4, first);
  }

  /** The next frame; null for a video of which nothing can be read. Valid until the next call. */
  async read(): Promise<Buffer | null> {
    const parts: Buffer[] = [];
    let bytes = 0;
    while (bytes < this.frameBytes) {
      const chunk = this.rest.length > 0 ? this.rest : (await this.chunks.next()).value;
      this.rest = Buffer.alloc(0);
      if (!(chunk instanceof Buffer)) break;
      parts.push(chunk);
      bytes += chunk.length;
    }
    this.next++;
    if (bytes < this.frameBytes) return this.last;
    const all = parts.length === 1 ? parts[0] : Buffer.concat(parts, bytes);
    this.rest = all.subarray(this.frameBytes);
    this.last = all.subarray(0, this.frameBytes);
    return this.last;
  }

  close(): void {
    this.process.kill('SIGKILL');
  }
}
