import { createCanvas } from '@napi-rs/canvas';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { SCENES } from '@/core/scenes';
import { sceneFrame } from '@/core/scenes/scene';
import { Painter } from '@/paint/painter';
import { serverSurfaces } from '@/server/raster';
import type { Backdrop } from './paintBackdrop';
import { KeptBackdrop } from './paintBackdrop';

const FORMAT = previewFormat(FORMATS.get('wide-1080'), 160);

// The server's canvas in place of the browser's, which is not there in a test.
class Canvas {
  constructor(width: number, height: number) {
    return createCanvas(width, height) as unknown as Canvas;
  }
}

beforeAll(() => void Reflect.set(globalThis, 'OffscreenCanvas', Canvas));
afterAll(() => void Reflect.deleteProperty(globalThis, 'OffscreenCanvas'));

function shown(kept: KeptBackdrop, backdrop: Backdrop, seconds: number, format = FORMAT): Buffer {
  const context = createCanvas(format.widthPx, format.heightPx).getContext('2d');
  kept.paint(context as unknown as CanvasRenderingContext2D, backdrop, seconds, format);
  return Buffer.from(context.getImageData(0, 0, format.widthPx, format.heightPx).data);
}

const fresh = (): KeptBackdrop => new KeptBackdrop(new Painter(serverSurfaces));

test.each(SCENES.list.map(({ id }) => id))('%s looks as if it was painted for the first time', (scene) => {
  const backdrop: Backdrop = { kind: 'scene', scene };
  const kept = fresh();
  for (const seconds of [1, 1, 1.04, 1.08, 5, 5, 1.04])
    expect(shown(kept, backdrop, seconds).equals(shown(fresh(), backdrop, seconds))).toBe(true);
});

test('another backdrop, or another shape, leaves nothing of the one before', () => {
  const kept = fresh();
  const tall = previewFormat(FORMATS.get('tall-1080'), 90);
  const all: readonly Backdrop[] = [
    { kind: 'scene', scene: 'weir' },
    { kind: 'plain', colour: '#2f6b3a' },
    { kind: 'scene', scene: 'night-deck' },
    { kind: 'still', image: null },
  ];
  for (const format of [FORMAT, tall, FORMAT])
    for (const backdrop of all)
      for (const seconds of [2, 2.04, 2.04])
        expect(shown(kept, backdrop, seconds, format).equals(shown(fresh(), backdrop, seconds, format))).toBe(
          true,
        );
});

test('a stand-in picture has 25 pictures a second, also under a title with more', () => {
  expect([0, 0.02, 0.04, 0.06, 3.6].map(sceneFrame)).toEqual([0, 0, 0.04, 0.04, 3.6]);
  // A frame that begins a rounding error early is that frame.
  for (let frame = 0; frame < 500; frame++) expect(Math.round(sceneFrame(frame / 25) * 25)).toBe(frame);
});
