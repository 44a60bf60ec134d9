import type { FrameFormat } from '@/core/frame/formats';
import { coverCrop } from '@/core/layers/picture';
import { SCENES } from '@/core/scenes';
import { sceneItems } from '@/core/scenes/scene';
import type { Painter } from '@/paint/painter';
import { loadedPicture, loadPicture } from './pictureStore';
import type { VideoFrameImage } from './videoStore';

/** What lies under a title: a stand-in scene, an uploaded still or a plain colour. */
export type Backdrop =
  | { readonly kind: 'scene'; readonly scene: string }
  | { readonly kind: 'still'; readonly image: ImageBitmap | VideoFrameImage | null }
  | { readonly kind: 'plain'; readonly colour: string };

/** What comes before a still's asset id in a backdrop's id. */
const ASSET_PREFIX = 'asset:';

/** The backdrop with a given id, a still as far as it is here: a scene's, `asset:` and an asset id, or a colour. */
export function backdropOf(id: string): Backdrop {
  if (id.startsWith('#')) return { kind: 'plain', colour: id };
  if (!id.startsWith(ASSET_PREFIX)) return { kind: 'scene', scene: id };
  return { kind: 'still', image: loadedPicture(id.slice(ASSET_PREFIX.length)) };
}

/** Waits for a backdrop's still, where it has one. */
export async function loadBackdrop(id: string): Promise<void> {
  if (id.startsWith(ASSET_PREFIX)) await loadPicture(id.slice(ASSET_PREFIX.length));
}

/** A backdrop on a canvas of its own, painted again only when it is another one, at another time or size. */
export class KeptBackdrop {
  private last: {
    readonly backdrop: Backdrop;
    readonly seconds: number;
    readonly format: FrameFormat;
  } | null = null;
  private canvas: OffscreenCanvas | null = null;

  constructor(private readonly painter: Painter) {}

  /** Paints it: straight where it is new, as it is while it plays; from the kept canvas where it is asked for again. */
  paint(context: Context, backdrop: Backdrop, seconds: number, format: FrameFormat): void {
    const { last } = this;
    const again = last?.backdrop === backdrop && last.seconds === seconds && last.format === format;
    if (!again) {
      this.last = { backdrop, seconds, format };
      this.canvas = null;
      paintBackdrop(this.painter, context, backdrop, seconds, format);
      return;
    }
    this.canvas ??= this.keep(backdrop, seconds, format);
    context.drawImage(this.canvas, 0, 0);
  }

  private keep(backdrop: Backdrop, seconds: number, format: FrameFormat): OffscreenCanvas {
    const canvas = new OffscreenCanvas(format.widthPx, format.heightPx);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (context !== null) paintBackdrop(this.painter, context, backdrop, seconds, format);
    return canvas;
  }
}

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Paints a backdrop so that it fills the picture; a still is cut, never stretched. */
function paintBackdrop(
  painter: Painter,
  context: Context,
  backdrop: Backdrop,
  seconds: number,
  format: FrameFormat,
): void {
  if (backdrop.kind === 'scene') {
    const scene = SCENES.find(backdrop.scene) ?? SCENES.list[0];
    painter.paint(context, { ...format, items: sceneItems(scene, seconds, format) });
    return;
  }
  if (backdrop.kind === 'plain') {
    context.fillStyle = backdrop.colour;
    context.fillRect(0, 0, format.widthPx, format.heightPx);
    return;
  }
  const { image } = backdrop;
  if (image === null) return;
  const { widthPx, heightPx } = format;
  const from = coverCrop(
    { widthPx: image.width, heightPx: image.height },
    { x: 0, y: 0, width: widthPx, height: heightPx },
  );
  context.drawImage(image, from.x, from.y, from.width, from.height, 0, 0, widthPx, heightPx);
}
