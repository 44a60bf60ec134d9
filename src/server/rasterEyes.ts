import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { BackdropFrame, Eyes } from '@/core/proof/eyes';
import { SCENES } from '@/core/scenes';
import { sceneItems } from '@/core/scenes/scene';
import { Painter } from '@/paint/painter';
import { createRasterFrame, serverSurfaces } from './raster';

const SHEET = previewFormat(FORMATS.get('wide-1080'), 320);

/** Looks at pictures for checks with the server's raster: stand-ins and plain colours. `looked` counts backdrops. */
export function createRasterEyes(): Eyes & { looked: number } {
  const painter = new Painter(serverSurfaces);
  const eyes = {
    looked: 0,
    // No title that it is shown has a video.
    ready: () => Promise.resolve(),
    paint(items: Parameters<Eyes['paint']>[0], crop: Parameters<Eyes['paint']>[1]) {
      const frame = createRasterFrame(crop.width, crop.height);
      painter.paintPart(frame.context, items, crop);
      return { width: crop.width, height: crop.height, data: frame.readPixels() };
    },
    has: (picture: string) => Promise.resolve(isStandIn(picture)),
    backdrop(picture: string, seconds: number): Promise<BackdropFrame | null> {
      eyes.looked++;
      return Promise.resolve(backdropFrame(painter, picture, seconds));
    },
  };
  return eyes;
}

const isStandIn = (picture: string): boolean => SCENES.find(picture) !== undefined || picture.startsWith('#');

function backdropFrame(painter: Painter, picture: string, seconds: number): BackdropFrame | null {
  const scene = SCENES.find(picture);
  if (!isStandIn(picture)) return null;
  const { widthPx, heightPx } = SHEET;
  const frame = createRasterFrame(widthPx, heightPx);
  if (scene === undefined) {
    frame.context.fillStyle = picture;
    frame.context.fillRect(0, 0, widthPx, heightPx);
  } else painter.paint(frame.context, { ...SHEET, items: sceneItems(scene, seconds, SHEET) });
  return { width: widthPx, height: heightPx, aspect: widthPx / heightPx, data: frame.readPixels() };
}
