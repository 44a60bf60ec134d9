import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { SAMPLE_TEXTS, sampleTemplate, sampleValues } from '@/core/edit/sampleTexts';
import { programmeMoment } from '@/core/display/programme';
import type { Template } from '@/core/model/template';
import { FORMATS, pictureSize } from '@/core/frame/formats';
import type { FrameFormat } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { SCENES } from '@/core/scenes';
import { sceneItems } from '@/core/scenes/scene';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { designFrames, restingFrame, stretchTiming } from '@/core/titleTime/stretch';
import { frameToSeconds, RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { surfacesWith } from '@/server/raster';

/** The formats that every demo template must be right in. */
export const SHEET_FORMATS = ['wide-1080', 'tall-1080', 'square-1080', 'classic-576', 'ultra-1080'] as const;

const TILE_AREA_PX = 30_000;
const GAP_PX = 6;

interface SheetOptions {
  /** Painted over the template's stand-in picture; over plain grey otherwise. */
  readonly pictures: boolean;
  readonly tileAreaPx?: number;
}

/** A template in the middle of its hold, one row a format, one column a sample text. */
export function contactSheet(template: Template, fonts: FontLibrary, options: SheetOptions): Canvas {
  const area = options.tileAreaPx ?? TILE_AREA_PX;
  const formats = SHEET_FORMATS.map((id) => {
    const { widthU, heightU } = pictureSize(FORMATS.get(id));
    return previewFormat(FORMATS.get(id), Math.sqrt((area * widthU) / heightU));
  });
  const width = Math.max(...formats.map((one) => one.widthPx));
  const height = formats.reduce((sum, one) => sum + one.heightPx + GAP_PX, 0);
  const sheet = createCanvas((width + GAP_PX) * SAMPLE_TEXTS.length, height);
  const onto = sheet.getContext('2d');
  let top = 0;
  for (const format of formats) {
    SAMPLE_TEXTS.forEach((sample, column) => {
      const tile = paintTile(template, format, sample.id, fonts, options.pictures);
      onto.drawImage(tile, column * (width + GAP_PX), top);
    });
    top += format.heightPx + GAP_PX;
  }
  return sheet;
}

function paintTile(
  template: Template,
  format: FrameFormat,
  sampleId: string,
  fonts: FontLibrary,
  pictures: boolean,
): Canvas {
  const tile = createCanvas(format.widthPx, format.heightPx);
  const below = createCanvas(format.widthPx, format.heightPx);
  const context = below.getContext('2d');
  const painter = new Painter(
    surfacesWith({ picture: (asset) => (programmeMoment(asset) === null ? null : below) }),
  );
  context.fillStyle = '#5d6462';
  context.fillRect(0, 0, format.widthPx, format.heightPx);
  const scene = SCENES.find(template.backdrop);
  if (pictures && scene !== undefined)
    painter.paint(context, { ...format, items: sceneItems(scene, 2, format) });
  const rate = RATES.get(template.rate);
  const timing = stretchTiming(template.timing, designFrames(template.timing, rate), rate);
  const title = compile(sampleTemplate(template, sampleId), sampleValues(template, sampleId), format, fonts);
  const middle = frameToSeconds(restingFrame(timing), rate);
  const over = tile.getContext('2d');
  over.drawImage(below, 0, 0);
  painter.paint(over, title.frame(middle, timing));
  return tile;
}
