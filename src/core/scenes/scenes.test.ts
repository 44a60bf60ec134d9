import { describe, expect, test } from '@jest/globals';
import { SCENES } from '.';
import { createRasterFrame, serverSurfaces } from '../../server/raster';
import { Painter } from '../../paint/painter';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { scatter, sceneItems } from './scene';

const painter = new Painter(serverSurfaces);

/** The pixels of a scene in a small picture of a format. */
function pixelsOf(sceneId: string, seconds: number, formatId = 'wide-1080'): Uint8ClampedArray {
  const format = previewFormat(FORMATS.get(formatId), 96);
  const frame = createRasterFrame(format.widthPx, format.heightPx);
  painter.paint(frame.context, { ...format, items: sceneItems(SCENES.get(sceneId), seconds, format) });
  return frame.readPixels();
}

const differing = (a: Uint8ClampedArray, b: Uint8ClampedArray): number =>
  a.reduce((count, value, i) => (Math.abs(value - b[i]) > 4 ? count + 1 : count), 0);

describe.each(SCENES.list.map(({ id, label }) => [label, id]))('%s', (_label, id) => {
  test.each(FORMATS.list.map((format) => format.id))('fills every pixel of %s', (format) => {
    for (const seconds of [0, 3.7, 61]) {
      const pixels = pixelsOf(id, seconds, format);
      const clear = pixels.filter((value, i) => i % 4 === 3 && value !== 255);
      expect(clear).toHaveLength(0);
    }
  });

  test('is the same at the same moment, and moves on', () => {
    expect(pixelsOf(id, 2.5)).toEqual(pixelsOf(id, 2.5));
    expect(differing(pixelsOf(id, 2.5), pixelsOf(id, 4))).toBeGreaterThan(20);
  });

  test('moves evenly: a frame later hardly anything is otherwise', () => {
    const later = differing(pixelsOf(id, 2.5), pixelsOf(id, 2.54));
    expect(later).toBeLessThan(pixelsOf(id, 2.5).length * 0.25);
  });

  test('names two colours for the strip', () => {
    expect(SCENES.get(id).swatch).toEqual([
      expect.stringMatching(/^#[0-9a-f]{6}$/),
      expect.stringMatching(/^#[0-9a-f]{6}$/),
    ]);
  });
});

test('what is scattered lies between 0 and 1, is spread, and is the same every time', () => {
  const values = Array.from({ length: 400 }, (_, i) => scatter(i));
  expect(values.every((value) => value >= 0 && value < 1)).toBe(true);
  expect(Array.from({ length: 400 }, (_, i) => scatter(i))).toEqual(values);
  for (let tenth = 0; tenth < 10; tenth++) {
    const there = values.filter((value) => Math.floor(value * 10) === tenth).length;
    expect(there).toBeGreaterThan(15);
  }
});
