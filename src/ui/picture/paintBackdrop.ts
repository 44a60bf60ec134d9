import type { DisplayItem } from '@/core/display/list';
import type { FrameFormat } from '@/core/frame/formats';
import { sameValue } from '@/core/kit/sameValue';
import { coverCrop } from '@/core/layers/picture';
import { SCENES } from '@/core/scenes';
import { sceneFrame, sceneItems } from '@/core/scenes/scene';
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

/**
 * Paints backdrops, and keeps what stands still: the whole where it is asked for again, and of a scene what lies
 * furthest back and is as it was the time before.
 */
export class KeptBackdrop {
  private last: Asked | null = null;
  private whole: Canvas | null = null;
  /** The first items of a scene, painted. */
  private still: { readonly count: number; readonly canvas: Canvas } | null = null;

  constructor(private readonly painter: Painter) {}

  /** What was painted last, as large as the frame; null before that. */
  get painted(): OffscreenCanvas | null {
    return this.whole?.canvas ?? null;
  }

  /** Paints a backdrop at a time so that it fills the picture; a still is cut, never stretched. */
  paint(context: Context, backdrop: Backdrop, asked: number, format: FrameFormat): void {
    const { last } = this;
    const seconds = sceneFrame(asked);
    const again = last?.backdrop === backdrop && last.format === format;
    if (this.whole === null || !again || (backdrop.kind === 'scene' && last.seconds !== seconds)) {
      const items = backdrop.kind === 'scene' ? itemsOf(backdrop.scene, seconds, format) : [];
      this.whole = last?.format === format && this.whole !== null ? this.whole : canvasFor(format);
      this.paintWhole(this.whole, backdrop, items, again ? sameUpTo(last.items, items) : 0, format);
      this.last = { backdrop, seconds, format, items };
    }
    context.drawImage(this.whole.canvas, 0, 0);
  }

  private paintWhole(
    { context }: Canvas,
    backdrop: Backdrop,
    items: Items,
    same: number,
    format: FrameFormat,
  ): void {
    if (this.still === null || this.still.count > same)
      this.still = this.keepStill(items.slice(0, same), format);
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, format.widthPx, format.heightPx);
    if (backdrop.kind !== 'scene') paintFlat(context, backdrop, format);
    if (this.still !== null) context.drawImage(this.still.canvas.canvas, 0, 0);
    this.painter.paint(context, { ...format, items: items.slice(this.still?.count ?? 0) });
  }

  private keepStill(items: Items, format: FrameFormat): KeptBackdrop['still'] {
    if (items.length === 0) return null;
    const canvas = canvasFor(format);
    this.painter.paint(canvas.context, { ...format, items });
    return { count: items.length, canvas };
  }
}

interface Asked {
  readonly backdrop: Backdrop;
  readonly seconds: number;
  readonly format: FrameFormat;
  readonly items: Items;
}

interface Canvas {
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
}

function canvasFor({ widthPx, heightPx }: FrameFormat): Canvas {
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('This browser has no 2D canvas');
  return { canvas, context };
}

type Items = readonly DisplayItem[];

function itemsOf(sceneId: string, seconds: number, format: FrameFormat): Items {
  return sceneItems(SCENES.find(sceneId) ?? SCENES.list[0], seconds, format);
}

/** How many of the first items are the same. */
function sameUpTo(before: Items, items: Items): number {
  const end = items.findIndex((item, i) => i >= before.length || !sameValue(item, before[i]));
  return end === -1 ? items.length : end;
}

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Paints a still or a colour. */
function paintFlat(
  context: Context,
  backdrop: Exclude<Backdrop, { kind: 'scene' }>,
  { widthPx, heightPx }: FrameFormat,
): void {
  if (backdrop.kind === 'plain') {
    context.fillStyle = backdrop.colour;
    context.fillRect(0, 0, widthPx, heightPx);
    return;
  }
  const { image } = backdrop;
  if (image === null) return;
  const from = coverCrop(
    { widthPx: image.width, heightPx: image.height },
    { x: 0, y: 0, width: widthPx, height: heightPx },
  );
  context.drawImage(image, from.x, from.y, from.width, from.height, 0, 0, widthPx, heightPx);
}
