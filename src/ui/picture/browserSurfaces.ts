import { programmeMoment } from '@/core/display/programme';
import type { SurfaceMaker } from '@/paint/surface';
import { loadedPicture } from './pictureStore';

/** The browser's canvases. Kept in main memory, or Chromium's accelerated path gives other pixels than the press. */
export const browserSurfaces: SurfaceMaker = {
  surface(width, height) {
    const image = new OffscreenCanvas(width, height);
    const context = image.getContext('2d', { willReadFrequently: true });
    if (context === null) throw new Error('This browser has no 2D canvas');
    return {
      image,
      context,
      readPixels: (across, down) => context.getImageData(0, 0, across, down).data,
      changePixels(across, down, change) {
        const pixels = context.getImageData(0, 0, across, down);
        change(pixels.data);
        context.putImageData(pixels, 0, 0);
      },
    };
  },
  path: () => new Path2D(),
  picture: (asset) => loadedPicture(asset),
};

/** The same canvases for a painter of titles over pictures: the programme is what `below` gives. */
export const surfacesOver = (below: () => OffscreenCanvas | null): SurfaceMaker => ({
  ...browserSurfaces,
  picture: (asset) => (programmeMoment(asset) === null ? loadedPicture(asset) : below()),
});
