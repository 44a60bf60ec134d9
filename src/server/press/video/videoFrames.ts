import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import type { PictureSize, PictureSizes } from '@/core/layers/layerKind';
import type { DisplayList } from '@/core/display/list';
import { movingImages, movingMoment, movingSize, videoId } from '@/core/display/moving';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import { spanAt } from '@/core/project/lanes';
import type { GroundClip } from '@/core/project/ground';
import { videoImage, videoOf } from '@/core/project/ground';
import { sameValue } from '@/core/kit/sameValue';
import type { FrameRate } from '@/core/time/rates';
import { secondsToNearestFrames } from '@/core/time/rates';
import type { PressVideo } from './videoFacts';
import { pressVideo } from './videoFacts';
import { VideoReader } from './videoReader';

// Nearer ones are reached by reading on; further ones by opening the file anew.
const MOST_READ_OVER = 50;
// Each is a process with a frame or two in memory.
const MOST_OPEN = 6;

/** One frame of a video that is to be painted, and what display lists call it. */
interface WantedFrame {
  readonly asset: string;
  readonly id: string;
  readonly frame: number;
  readonly size: PictureSize;
}

/** A video that is being read, and the frame of it that was read last. */
interface Stream {
  readonly id: string;
  readonly size: PictureSize;
  readonly canvas: Canvas;
  reader: VideoReader;
  asset: string;
}

/** The frames of videos under a programme and within titles, each decoded when it is to be painted. */
export class VideoFrames implements PictureSizes {
  private readonly filling: PictureSize;
  // From what was not asked for the longest on.
  private streams: readonly Stream[] = [];

  private constructor(
    private readonly videos: ReadonlyMap<string, PressVideo>,
    format: FrameFormat,
    private readonly rate: FrameRate,
  ) {
    const { widthU, heightU } = pictureSize(format);
    // In square pixels; the picture is laid into the format's own by the painter.
    this.filling = {
      widthPx: Math.round((format.heightPx * widthU) / heightU),
      heightPx: format.heightPx,
    };
  }

  /** Looks into the videos that are here; `files` has their paths by id. */
  static async of(
    files: ReadonlyMap<string, string>,
    format: FrameFormat,
    rate: FrameRate,
  ): Promise<VideoFrames> {
    const videos = new Map<string, PressVideo>();
    for (const [id, path] of files) videos.set(id, await pressVideo(path));
    return new VideoFrames(videos, format, rate);
  }

  /** The size of a video's frames under a programme; undefined for one that is not here. */
  fillingSize(id: string): PictureSize | undefined {
    return this.videos.has(id) ? this.filling : undefined;
  }

  /** The size of the frames of a video within a title, by what documents call it; undefined for one that is not here. */
  size(picture: string): PictureSize | undefined {
    const video = this.videos.get(videoId(picture) ?? '');
    return video && movingSize(video.size);
  }

  /** Decodes what lies under a frame of the programme and what its titles show, where these are videos. */
  async prepare(clips: readonly GroundClip[], frame: number, lists: readonly DisplayList[]): Promise<void> {
    const wanted = [...this.under(clips, frame), ...this.within(lists)];
    const assets = new Set(wanted.map(({ asset }) => asset));
    const isWanted = (stream: Stream): boolean => assets.has(stream.asset);
    for (const one of wanted) {
      if (this.streams.some(({ asset }) => asset === one.asset)) continue;
      const free = this.streams.find(
        (stream) => !isWanted(stream) && stream.id === one.id && sameValue(stream.size, one.size),
      );
      const stream = await this.read(one, free);
      const others = this.streams.filter((other) => other !== stream);
      const gone = others.length < MOST_OPEN ? undefined : others.find((other) => !isWanted(other));
      gone?.reader.close();
      this.streams = [...others.filter((other) => other !== gone), stream];
    }
  }

  /** The frame that an image of a display list asks for, if it was decoded. */
  picture(asset: string): Canvas | null {
    return this.streams.find((stream) => stream.asset === asset)?.canvas ?? null;
  }

  close(): void {
    for (const { reader } of this.streams) reader.close();
    this.streams = [];
  }

  private under(clips: readonly GroundClip[], at: number): WantedFrame[] {
    const clip = spanAt(clips, at);
    const id = clip === undefined ? null : videoOf(clip);
    if (clip === undefined || id === null || !this.videos.has(id)) return [];
    const frame = Math.floor(at) - clip.startFrame + clip.sourceStartFrame;
    return [{ asset: videoImage(id, frame), id, frame, size: this.filling }];
  }

  private within(lists: readonly DisplayList[]): WantedFrame[] {
    const assets = new Set(lists.flatMap(({ items }) => [...movingImages(items)]));
    return [...assets].flatMap((asset): WantedFrame[] => {
      const moment = movingMoment(asset);
      const video = moment && this.videos.get(moment.id);
      if (!moment || !video) return [];
      const frame = secondsToNearestFrames(moment.seconds, this.rate);
      return [{ asset, id: moment.id, frame, size: movingSize(video.size) }];
    });
  }

  /** Reads on to a frame, in a stream that is free for it where that is not far, or in a new one. */
  private async read({ asset, id, frame, size }: WantedFrame, free: Stream | undefined): Promise<Stream> {
    const video = this.videos.get(id);
    if (video === undefined) throw new Error('A video is not here');
    // After its end it goes on with its last frame.
    const last = video.seconds === null ? frame : secondsToNearestFrames(video.seconds, this.rate) - 1;
    const within = Math.max(0, Math.min(frame, last));
    const open = (from: number): VideoReader => VideoReader.open(video, from, this.rate, size);
    const ahead = free === undefined ? -1 : within - (free.reader.next - 1);
    const isNear = free !== undefined && ahead >= 0 && ahead <= MOST_READ_OVER;
    if (!isNear) free?.reader.close();
    let reader = isNear ? free.reader : open(within);
    let pixels = await readTo(reader, within);
    if (pixels === null) {
      // Its file says that it is longer than it is.
      reader.close();
      reader = open(Math.max(0, within - MOST_READ_OVER));
      pixels = await readTo(reader, within);
    }
    if (pixels === null) {
      reader.close();
      throw new Error(`A video cannot be decoded at its frame ${within}. Choose another, or leave it out.`);
    }
    const stream = free ?? { id, size, canvas: createCanvas(size.widthPx, size.heightPx), reader, asset };
    stream.reader = reader;
    stream.asset = asset;
    show(stream.canvas, pixels);
    return stream;
  }
}

/** Reads on until a frame was read, and gives that; what was read last where it was read before. */
async function readTo(reader: VideoReader, frame: number): Promise<Buffer | null> {
  let pixels: Buffer | null = reader.last;
  while (reader.next <= frame) pixels = await reader.read();
  return pixels;
}

function show(canvas: Canvas, pixels: Buffer): void {
  const context = canvas.getContext('2d');
  const image = context.createImageData(canvas.width, canvas.height);
  image.data.set(pixels);
  context.putImageData(image, 0, 0);
}
