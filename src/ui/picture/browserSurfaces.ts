import type { SurfaceMaker } from '@/paint/surface';

/** The browser's canvases. Kept in main memory, or Chromium's accelerated path gives other pixels than the press. */
export const browserSurfaces: SurfaceMaker = {
  surface(width, height) {
    const image = new OffscreenCanvas(width, height);
    const context = image.getContext('2d', { willReadFrequently: true });
    if (context === null) throw new Error('This browser has no 2D canvas');
    return { image, context };
  },
  path: () => new Path2D(),
};
