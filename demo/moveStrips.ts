import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { FORMATS } from '@/core/frame/formats';
import type { FrameFormat } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { Move } from '@/core/moves/move';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { serverSurfaces } from '@/server/raster';
import { moveTemplate } from './moveTemplate';

const GAP_PX = 4;
/** A move at shares (0 to 1) of its way, side by side. */
export function moveStrip(
  move: Move,
  shares: readonly number[],
  fonts: FontLibrary,
  widthPx: number,
): Canvas {
  const format: FrameFormat = previewFormat(FORMATS.get('wide-1080'), widthPx);
  const template = moveTemplate(move);
  const timing = stretchTiming(template.timing, 75, RATES.get('25'));
  const title = compile(template, {}, format, fonts);
  const painter = new Painter(serverSurfaces);
  // The text takes the middle of the frame; the rest would be empty.
  const top = Math.round(format.heightPx * 0.18);
  const height = Math.round(format.heightPx * 0.64);
  const strip = createCanvas((format.widthPx + GAP_PX) * shares.length - GAP_PX, height);
  const onto = strip.getContext('2d');
  shares.forEach((share, i) => {
    const tile = createCanvas(format.widthPx, format.heightPx);
    const context = tile.getContext('2d');
    context.fillStyle = '#31404a';
    context.fillRect(0, 0, format.widthPx, format.heightPx);
    painter.paint(context, title.frame(share * timing.inSeconds, timing));
    onto.drawImage(
      tile,
      0,
      top,
      format.widthPx,
      height,
      i * (format.widthPx + GAP_PX),
      0,
      format.widthPx,
      height,
    );
  });
  return strip;
}
