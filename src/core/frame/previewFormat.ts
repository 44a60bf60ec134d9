import type { FrameFormat } from './formats';
import { pictureSize } from './formats';

/** A format shown on a screen: the same picture with square pixels at a given width, so nothing is scaled twice. */
export function previewFormat(format: FrameFormat, widthPx: number): FrameFormat {
  const { widthU, heightU } = pictureSize(format);
  const width = Math.max(16, Math.round(widthPx));
  return {
    ...format,
    widthPx: width,
    heightPx: Math.max(16, Math.round((width * heightU) / widthU)),
    activeWidthPx: width,
    pixelAspect: { across: 1, down: 1 },
  };
}
