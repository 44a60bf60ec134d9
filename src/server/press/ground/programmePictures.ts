import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import type { DisplayItem } from '@/core/display/list';
import { programmeMoment } from '@/core/display/programme';
import type { FrameFormat } from '@/core/frame/formats';
import { Painter } from '@/paint/painter';
import type { SurfaceMaker } from '@/paint/surface';

/** What lies under a programme at one of its frames, or half a frame later at its second field. */
export type GroundAt = (frame: number) => readonly DisplayItem[];

/** The programme as a picture, painted when a title shows it within itself: the two fields of a frame at most are kept. */
export class ProgrammePictures {
  private readonly kept: { readonly frame: number; readonly canvas: Canvas }[] = [];
  private readonly painter: Painter;

  constructor(
    surfaces: SurfaceMaker,
    private readonly format: FrameFormat,
    private readonly groundAt: GroundAt,
  ) {
    this.painter = new Painter(surfaces);
  }

  /** The picture that an image of a display list asks for; null for one that is not of the programme. */
  picture(asset: string): Canvas | null {
    const frame = programmeMoment(asset);
    if (frame === null) return null;
    const known = this.kept.find((one) => one.frame === frame);
    if (known !== undefined) return known.canvas;
    const { widthPx, heightPx } = this.format;
    const oldest = this.kept.length < 2 ? undefined : this.kept.shift();
    const canvas = oldest?.canvas ?? createCanvas(widthPx, heightPx);
    // What lies under a programme covers all of it.
    this.painter.paint(canvas.getContext('2d'), { widthPx, heightPx, items: this.groundAt(frame) });
    this.kept.push({ frame, canvas });
    return canvas;
  }
}
