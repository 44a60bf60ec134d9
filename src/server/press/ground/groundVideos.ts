import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import type { PictureSize } from '@/core/layers/layerKind';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import { spanAt } from '@/core/project/lanes';
import type { GroundClip } from '@/core/project/ground';
import { videoImage, videoOf } from '@/core/project/ground';
import type { FrameRate } from '@/core/time/rates';
import { VideoReader } from './videoReader';

// Nearer ones are reached by reading on; further ones by opening the file anew.
const MOST_READ_OVER = 50;

/** The frames of the videos under a programme, each decoded when it is to be painted. They are asked for in order. */
export class GroundVideos {
  private readonly size: PictureSize;
  private readonly canvas: Canvas;
  private reader: { readonly id: string; readonly from: VideoReader } | null = null;
  private shown = '';

  /** `files`: the videos that are here, by id. */
  constructor(
    private readonly files: ReadonlyMap<string, string>,
    format: FrameFormat,
    private readonly rate: FrameRate,
  ) {
    const { widthU, heightU } = pictureSize(format);
    // In square pixels; the picture is laid into the format's own by the painter.
    this.size = { widthPx: Math.round((format.heightPx * widthU) / heightU), heightPx: format.heightPx };
    this.canvas = createCanvas(this.size.widthPx, this.size.heightPx);
  }

  /** The size of a video's frames as they come; undefined for one that is not here. */
  sizeOf(id: string): PictureSize | undefined {
    return this.files.has(id) ? this.size : undefined;
  }

  /** Decodes what lies under a frame of the programme, where that is a video. */
  async prepare(clips: readonly GroundClip[], frame: number): Promise<void> {
    const clip = spanAt(clips, frame);
    const id = clip === undefined ? null : videoOf(clip);
    const path = id === null ? undefined : this.files.get(id);
    if (clip === undefined || id === null || path === undefined) return;
    const wanted = Math.floor(frame) - clip.startFrame + clip.sourceStartFrame;
    const name = videoImage(id, wanted);
    if (this.shown === name) return;
    let { reader } = this;
    if (reader?.id !== id || reader.from.next > wanted || reader.from.next + MOST_READ_OVER < wanted) {
      reader?.from.close();
      reader = { id, from: await VideoReader.open(path, wanted, this.rate, this.size) };
      this.reader = reader;
    }
    let pixels: Buffer | null = null;
    while (reader.from.next <= wanted) pixels = await reader.from.read();
    this.shown = pixels === null ? '' : name;
    if (pixels === null)
      throw new Error(
        `The video under frame ${frame} could not be decoded. Relink its clip, or leave it out.`,
      );
    const context = this.canvas.getContext('2d');
    const image = context.createImageData(this.size.widthPx, this.size.heightPx);
    image.data.set(pixels);
    context.putImageData(image, 0, 0);
  }

  /** The frame that was decoded last, if that is what an image of a display list asks for. */
  picture(asset: string): Canvas | null {
    return asset === this.shown ? this.canvas : null;
  }

  close(): void {
    this.reader?.from.close();
    this.reader = null;
  }
}
