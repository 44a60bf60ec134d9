/**
 * Writes a sheet of pictures for every ready move on eight kinds of content, and in a title of half a second.
 * Run: npm run move-contents -- folder [move …]
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { motionSheet } from '../demo/moveTemplate';
import { movesFor, pickMove } from '../src/core/edit/pickMove';
import { FORMATS } from '../src/core/frame/formats';
import { previewFormat } from '../src/core/frame/previewFormat';
import {
  newBoxLayer,
  newGroupLayer,
  newPictureLayer,
  newTextLayer,
  placeAt,
} from '../src/core/model/newLayers';
import { motionOf, newMoveUse } from '../src/core/model/newMove';
import type { Layer, Template } from '../src/core/model/template';
import { MOVES } from '../src/core/moves';
import { compile } from '../src/core/timeline/compile';
import { RATES } from '../src/core/time/rates';
import { stretchTiming } from '../src/core/titleTime/stretch';
import { Painter } from '../src/paint/painter';
import { serverFonts } from '../src/server/fontFiles';
import { surfacesWith } from '../src/server/raster';

const SHARES = [0.04, 0.2, 0.4, 0.6, 0.8, 1];
const WIDTH_PX = 200;
const LABEL_PX = 16;
const GAP_PX = 3;
const RATE = RATES.get('25');
const MIDDLE = placeAt({ point: 'centre', target: { kind: 'frame' }, targetPoint: 'centre' });

const words = (reads: string, sizeU: number): Layer => {
  const text = newTextLayer('one', 'One');
  return {
    ...text,
    place: MIDDLE,
    runs: [{ text: reads }],
    style: { ...text.style, sizeU, fill: '#ffffff' },
  };
};
const box = (id: string, fill: string, dxU: number): Layer => ({
  ...newBoxLayer(id, id, []),
  fill,
  fillOpacity: 1,
  width: { kind: 'fixed', u: 500 },
  height: { kind: 'fixed', u: 300 },
  place: { ...MIDDLE, dxU },
  motion: motionOf(null, null),
});

/** The contents by name, and one with figures, for what counts them; the last layer of each moves. */
const CONTENTS: Readonly<Record<string, readonly Layer[]>> = {
  Latin: [words('Ilse Marrow', 260)],
  'Latin, title of 0.5 s': [words('Ilse Marrow', 260)],
  Arabic: [words('مصابيح على النهر', 240)],
  Hindi: [words('नदी के किनारे', 240)],
  'One letter': [words('O', 300)],
  'Sixty letters': [words('The lanterns are lit along the lower lock from dusk till nine', 66)],
  'Two lines': [words('Ilse Marrow\nLock keeper', 200)],
  Figures: [words('1,250 lanterns', 220)],
  'A picture': [
    {
      ...newPictureLayer('one', 'One', 'stand-in'),
      sizing: 'fixed',
      widthU: 640,
      heightU: 360,
      fit: 'cover',
      place: MIDDLE,
    },
  ],
  'A group': [
    { ...box('left', '#c9a24b', -280) },
    { ...words('Two', 200), id: 'inside', motion: motionOf(null, null), place: { ...MIDDLE, dxU: 300 } },
    newGroupLayer('one', 'One', ['left', 'inside']),
  ],
};

/** A picture with places that can be told apart. */
function standIn(): Canvas {
  const canvas = createCanvas(640, 360);
  const context = canvas.getContext('2d');
  for (let x = 0; x < 8; x++) {
    for (let y = 0; y < 4; y++) {
      context.fillStyle = `hsl(${x * 40} 50% ${35 + y * 12}%)`;
      context.fillRect(x * 80, y * 90, 80, 90);
    }
  }
  return canvas;
}

const STAND_IN = standIn();
const SIZES = { size: () => ({ widthPx: 640, heightPx: 360 }) };
const FORMAT = previewFormat(FORMATS.get('wide-1080'), WIDTH_PX);
const painter = new Painter(surfacesWith({ picture: () => STAND_IN }));
const fonts = await serverFonts();

/** A title of one content whose last layer comes by a move, and goes by its reverse. */
function titleOf(layers: readonly Layer[], move: string): Template | null {
  const moving = layers[layers.length - 1];
  if (!movesFor(moving).some(({ id }) => id === move)) return null;
  const use = pickMove(moving, newMoveUse(move, { lengthSeconds: 1 }), move);
  const moved = { ...moving, motion: motionOf(use, 'mirror') };
  return { ...motionSheet(move, moved), layers: [...layers.slice(0, -1), moved] };
}

const folder = process.argv[2] ?? 'move-contents';
const asked = process.argv.slice(3);
mkdirSync(folder, { recursive: true });
for (const { id, label } of MOVES.list.filter((move) => asked.length === 0 || asked.includes(move.id))) {
  const rows = Object.entries(CONTENTS).flatMap(([name, layers]) => {
    const template = titleOf(layers, id);
    return template === null ? [] : [{ name, template }];
  });
  const tile = { width: FORMAT.widthPx, height: Math.round(FORMAT.heightPx * 0.56) };
  const sheet = createCanvas((tile.width + GAP_PX) * SHARES.length, (tile.height + LABEL_PX) * rows.length);
  const context = sheet.getContext('2d');
  context.fillStyle = '#f3f0ea';
  context.fillRect(0, 0, sheet.width, sheet.height);
  context.font = '12px sans-serif';
  rows.forEach(({ name, template }, row) => {
    const title = compile(template, {}, FORMAT, fonts, SIZES);
    const frames = name.includes('0.5 s') ? 13 : 75;
    const timing = stretchTiming(template.timing, frames, RATE);
    const top = row * (tile.height + LABEL_PX);
    context.fillStyle = '#23211d';
    context.fillText(`${label}: ${name}`, 2, top + 12);
    SHARES.forEach((share, i) => {
      const frame = createCanvas(FORMAT.widthPx, FORMAT.heightPx);
      const onto = frame.getContext('2d');
      onto.fillStyle = '#31404a';
      onto.fillRect(0, 0, FORMAT.widthPx, FORMAT.heightPx);
      painter.paint(onto, title.frame(share * timing.inSeconds, timing));
      const y = Math.round((FORMAT.heightPx - tile.height) / 2);
      context.drawImage(
        frame,
        0,
        y,
        tile.width,
        tile.height,
        i * (tile.width + GAP_PX),
        top + LABEL_PX,
        tile.width,
        tile.height,
      );
    });
  });
  writeFileSync(join(folder, `${id}.png`), sheet.toBuffer('image/png'));
}
