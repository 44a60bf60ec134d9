import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { motionOf, newMoveUse } from '@/core/document/newMove';
import type { MoveUse, Template, UnitKind } from '@/core/document/template';
import { FORMATS } from '@/core/layout/formats';
import type { FrameFormat } from '@/core/layout/formats';
import { previewFormat } from '@/core/layout/previewFormat';
import type { Move } from '@/core/moves/move';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/timeline/stretch';
import { RATES } from '@/core/units/rates';
import { Painter } from '@/paint/painter';
import { serverSurfaces } from '@/server/raster';
import { barlow, EMPTY, place, text } from './layers';

const GAP_PX = 4;
// The rows that the band scrolls through, and the number that counts.
const WORDS: Readonly<Record<string, string>> = {
  'count-up': '1,250 lanterns',
  band: 'Lock gates\nReed beds\nIlse Marrow',
  'depth-blur': 'Ilse Marrow\nLock keeper',
  unfold: 'Ilse Marrow\nLock keeper',
  split: 'Ilse Marrow\nLock keeper',
};

/** A ready move as it suits a title of two words best. */
function suitedUse(move: Move): MoveUse {
  return newMoveUse(move.id, { unit: 'layer' satisfies UnitKind, lengthSeconds: 1, seed: 3, ...move.suits });
}

/** A template that shows one move on a text, in and out again, each a second long. */
function moveTemplate(move: Move): Template {
  const reads = WORDS[move.id] ?? 'Ilse Marrow';
  const lines = reads.split('\n').length;
  const lit = ['glint', 'spread', 'unroll'].includes(move.id);
  const words = text({
    id: 'words',
    name: 'Words',
    reads,
    // A light is not seen on white.
    style: barlow(700, lines > 1 ? 210 : 270, lit ? '#8fa9b5' : '#ffffff', { leading: 1.02 }),
    align: 'centre',
    maxWidthShare: 1,
    place: place('centre', { kind: 'frame' }, 'centre'),
    motion: motionOf(suitedUse(move), 'mirror'),
  });
  return {
    ...EMPTY,
    name: move.label,
    kind: 'opener',
    production: '',
    description: '',
    formats: ['wide-1080'],
    rate: '25',
    backdrop: '#31404a',
    timing: { inSeconds: 1, holdSeconds: 1, outSeconds: 1 },
    layers: [words],
    fields: [],
  };
}

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
