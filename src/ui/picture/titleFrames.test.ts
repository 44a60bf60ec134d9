import { createCanvas } from '@napi-rs/canvas';
import { expect, jest, test } from '@jest/globals';
import type { DisplayItem, DisplayList } from '@/core/display/list';
import { rectOutline } from '@/core/display/shapes';
import { IDENTITY } from '@/core/kit/matrix';
import { Painter } from '@/paint/painter';
import { serverSurfaces } from '@/server/raster';
import { runsOf } from '../bench/timeline/PaintedBand';
import { TitleFrames } from './titleFrames';

const SIZE = { widthPx: 200, heightPx: 100 };

const box = (x: number, width = 40, height = 20): DisplayItem => ({
  kind: 'fill',
  outline: rectOutline({ x, y: 10, width, height }),
  paint: { kind: 'solid', colour: '#ff0000' },
  matrix: IDENTITY,
  opacity: 0.5,
});

/** Frames of a box that comes in, stands from the fifth on, and is gone from the twentieth on. */
const list = (frame: number): DisplayList => ({
  ...SIZE,
  items: frame >= 20 ? [] : [box(Math.min(frame, 5) * 10.5)],
});

function framesOf(source: (frame: number) => DisplayList = list) {
  const surface = jest.fn((width: number, height: number) => serverSurfaces.surface(width, height));
  const made = jest.fn(source);
  const frames = new TitleFrames(new Painter(serverSurfaces), { surface }, made);
  const shown = (frame: number): Buffer => {
    const context = createCanvas(SIZE.widthPx, SIZE.heightPx).getContext('2d');
    frames.paint(context, frame);
    return Buffer.from(context.getImageData(0, 0, SIZE.widthPx, SIZE.heightPx).data);
  };
  return { frames, surface, made, shown };
}

function paintedStraight(frame: number): Buffer {
  const context = createCanvas(SIZE.widthPx, SIZE.heightPx).getContext('2d');
  new Painter(serverSurfaces).paint(context, list(frame));
  return Buffer.from(context.getImageData(0, 0, SIZE.widthPx, SIZE.heightPx).data);
}

test('a kept frame is the frame, to the bit, each time it is shown', () => {
  const { shown } = framesOf();
  for (const frame of [0, 3, 7, 3, 22, 0]) expect(shown(frame).equals(paintedStraight(frame))).toBe(true);
});

test('a frame is made once, and frames that look the same share what is painted', () => {
  const { frames, surface, made } = framesOf();
  for (let round = 0; round < 3; round++) for (let frame = 0; frame < 25; frame++) frames.keep(frame);
  expect(made).toHaveBeenCalledTimes(25);
  // Five on the way in, one for all that stands, none for nothing.
  expect(surface).toHaveBeenCalledTimes(6);
});

test('takes only the room of what is to be seen', () => {
  const { frames, surface } = framesOf();
  frames.keep(0);
  expect(surface).toHaveBeenCalledWith(40, 20);
});

test('says which frames are kept when it is told to', () => {
  const { frames } = framesOf();
  frames.keep(4);
  frames.keep(2);
  expect([...frames.painted.getState()]).toEqual([]);
  frames.tell();
  expect(runsOf(frames.painted.getState())).toEqual([
    { from: 2, to: 3 },
    { from: 4, to: 5 },
  ]);
});

test('paints what there is no room for each time', () => {
  const large = { widthPx: 8000, heightPx: 4000 };
  const { frames, made, surface } = framesOf((frame) => ({ ...large, items: [box(frame, 7900, 3900)] }));
  for (let frame = 0; frame < 5; frame++) frames.keep(frame);
  expect(frames.hasRoom).toBe(false);
  expect([0, 1, 2, 3, 4].map((frame) => frames.has(frame))).toEqual([true, true, true, false, false]);
  const context = createCanvas(10, 10).getContext('2d');
  frames.paint(context, 4);
  frames.paint(context, 1);
  expect(made).toHaveBeenCalledTimes(6);
  expect(surface).toHaveBeenCalledTimes(3);
});

test('lets go of each surface once, and paints anew after that', () => {
  const { frames, surface, shown } = framesOf();
  for (let frame = 0; frame < 25; frame++) frames.keep(frame);
  const released = jest.fn();
  frames.end(released);
  expect(released).toHaveBeenCalledTimes(6);
  expect(frames.has(3)).toBe(false);
  expect(shown(3).equals(paintedStraight(3))).toBe(true);
  expect(surface).toHaveBeenCalledTimes(7);
});

test('frames that follow one another are one run', () => {
  expect(runsOf(new Set([7, 3, 1, 2, 8]))).toEqual([
    { from: 1, to: 4 },
    { from: 7, to: 9 },
  ]);
  expect(runsOf(new Set())).toEqual([]);
});
