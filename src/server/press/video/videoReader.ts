import { spawn } from 'node:child_process';
import type { ChildProcessByStdio } from 'node:child_process';
import type { Readable } from 'node:stream';
import type { FrameRate } from '@/core/time/rates';
import type { PictureSize } from '@/core/layers/layerKind';
import { rateArgument } from '../sink';
import type { PressVideo } from './videoFacts';

/**
 * Reads a video frame by frame at a rate, from one of its frames on: straight RGBA, filling the size without being
 * stretched. After its last frame it goes on with that one.
 */
export class VideoReader {
  private readonly chunks: AsyncIterator<unknown>;
  private rest: Buffer = Buffer.alloc(0);
  private lastFrame: Buffer | null = null;

  private constructor(
    private readonly process: ChildProcessByStdio<null, Readable, null>,
    private readonly frameBytes: number,
    private nextFrame: number,
  ) {
    this.chunks = process.stdout[Symbol.asyncIterator]();
  }

  /** The frame that is read next. */
  get next(): number {
    return this.nextFrame;
  }

  /** The frame that was read last; null before there was one. Valid until the next is read. */
  get last(): Buffer | null {
    return this.lastFrame;
  }

  static open(
    { path, matrix }: Pick<PressVideo, 'path' | 'matrix'>,
    first: number,
    rate: FrameRate,
    { widthPx, heightPx }: PictureSize,
  ): VideoReader {
    // A little before the frame's own time, so that rounding in the file does not skip it.
    const seek = Math.max(0, ((first - 0.4) * rate.denominator) / rate.numerator);
    const filters = [
      `fps=${rateArgument(rate)}:start_time=0`,
      "scale='iw*sar':ih,setsar=1",
      `scale=${widthPx}:${heightPx}:force_original_aspect_ratio=increase:in_color_matrix=${matrix}`,
      `crop=${widthPx}:${heightPx}`,
      // What a browser decodes has no transparency.
      'format=rgb24',
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
    this.nextFrame++;
    if (bytes < this.frameBytes) return this.lastFrame;
    const all = parts.length === 1 ? parts[0] : Buffer.concat(parts, bytes);
    this.rest = all.subarray(this.frameBytes);
    this.lastFrame = all.subarray(0, this.frameBytes);
    return this.lastFrame;
  }

  close(): void {
    this.process.kill('SIGKILL');
  }
}
