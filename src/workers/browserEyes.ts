import { SCENES } from '@/core/scenes';
import { sceneItems } from '@/core/scenes/scene';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { BackdropFrame, Eyes } from '@/core/proof/eyes';
import { movingImages, videoId } from '@/core/display/moving';
import { stillOf } from '@/core/project/ground';
import { Painter } from '@/paint/painter';
import { browserSurfaces } from '@/ui/picture/browserSurfaces';
import { loadedPicture, loadPicture } from '@/ui/picture/pictureStore';
import { readyMoving } from '@/ui/picture/movingStore';
import type { VideoFrameImage } from '@/ui/picture/videoStore';
import { videoFrame } from '@/ui/picture/videoStore';

// Pictures under titles are measured this wide; the mean of what lies round a letter needs no more.
const BACKDROP_WIDTH_PX = 240;
const MOST_KEPT = 1000;
const MOST_SIDE_PX = 4096;

/** Looks at pictures for checks with the same painter as the screen and the press. */
export function createBrowserEyes(): Eyes {
  const painter = new Painter(browserSurfaces);
  const kept = new Map<string, BackdropFrame | null>();
  const surface = createSurface();
  const shoot = createShot();
  const backdrop = async (picture: string, seconds: number): Promise<BackdropFrame | null> => {
    const key = `${picture} ${isStill(picture) ? 0 : seconds.toFixed(2)}`;
    const known = kept.get(key);
    if (known !== undefined) return known;
    const frame = await paintBackdropFrame(painter, shoot, picture, seconds).catch(() => null);
    const [oldest] = kept.keys();
    if (kept.size >= MOST_KEPT && oldest !== undefined) kept.delete(oldest);
    kept.set(key, frame);
    return frame;
  };
  return {
    ready: (items) => readyMoving(movingImages(items)),
    paint(items, crop) {
      const width = Math.min(MOST_SIDE_PX, crop.width);
      const height = Math.min(MOST_SIDE_PX, crop.height);
      const context = surface(width, height);
      painter.paintPart(context, items, crop);
      return { width, height, data: context.getImageData(0, 0, width, height).data };
    },
    backdrop,
    has: async (picture, seconds) =>
      SCENES.find(picture) !== undefined ||
      picture.startsWith('#') ||
      (await backdrop(picture, seconds)) !== null,
  };
}

const isStill = (picture: string): boolean => picture.startsWith('asset:') || picture.startsWith('#');

/** One canvas for all, made larger when it has to be: many small ones cost more than the painting. */
function createSurface(): (width: number, height: number) => OffscreenCanvasRenderingContext2D {
  let context: OffscreenCanvasRenderingContext2D | null = null;
  return (width, height) => {
    const has = context?.canvas;
    if (context === null || has === undefined || has.width < width || has.height < height) {
      const canvas = new OffscreenCanvas(
        Math.max(width, has?.width ?? 0),
        Math.max(height, has?.height ?? 0),
      );
      context = canvas.getContext('2d', { willReadFrequently: true });
      if (context === null) throw new Error('This browser has no 2D canvas in workers');
    }
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, width, height);
    return context;
  };
}

const SHEET = previewFormat(FORMATS.get('wide-1080'), BACKDROP_WIDTH_PX);

async function paintBackdropFrame(
  painter: Painter,
  shoot: Shot,
  picture: string,
  seconds: number,
): Promise<BackdropFrame | null> {
  const scene = SCENES.find(picture);
  if (scene !== undefined)
    return shoot(SHEET.widthPx, SHEET.heightPx, (context) =>
      painter.paint(context, { ...SHEET, items: sceneItems(scene, seconds, SHEET) }),
    );
  if (picture.startsWith('#'))
    return shoot(4, 4, (context) => {
      context.fillStyle = picture;
      context.fillRect(0, 0, 4, 4);
    });
  const image = await imageOf(picture, seconds);
  if (image === null) return null;
  const height = Math.max(1, Math.round((BACKDROP_WIDTH_PX * image.height) / image.width));
  return shoot(BACKDROP_WIDTH_PX, height, (context) =>
    context.drawImage(image, 0, 0, BACKDROP_WIDTH_PX, height),
  );
}

async function imageOf(picture: string, seconds: number): Promise<ImageBitmap | VideoFrameImage | null> {
  const video = videoId(picture);
  if (video !== null) return videoFrame(video, seconds, BACKDROP_WIDTH_PX);
  const still = stillOf({ picture });
  if (still === null) return null;
  await loadPicture(still);
  return loadedPicture(still);
}

type Shot = (
  width: number,
  height: number,
  draw: (context: OffscreenCanvasRenderingContext2D) => void,
) => BackdropFrame;

/** Draws pictures and reads their pixels, on a canvas of its own that is kept. */
function createShot(): Shot {
  const surface = createSurface();
  return (width, height, draw) => {
    const context = surface(width, height);
    draw(context);
    return { width, height, aspect: width / height, data: context.getImageData(0, 0, width, height).data };
  };
}
