import { expect, test } from '@jest/globals';
import type { CanvasSink, WrappedCanvas } from 'mediabunny';
import { FramesInTurn } from './framesInTurn';

/** A video of 250 frames at 25 a second, as the package that decodes it gives them; it notes what is asked of it. */
class Video {
  readonly jumps: number[] = [];
  readonly starts: number[] = [];
  decoded = 0;
  open = 0;

  async getCanvas(seconds: number): Promise<WrappedCanvas | null> {
    this.jumps.push(seconds);
    return seconds < 0 ? null : frame(Math.min(249, Math.floor(seconds * 25 + 1e-6)));
  }

  async *canvases(seconds = 0): AsyncGenerator<WrappedCanvas, void, unknown> {
    this.starts.push(seconds);
    this.open++;
    try {
      for (let i = Math.max(0, Math.floor(seconds * 25 + 1e-6)); i < 250; i++) {
        this.decoded++;
        yield frame(i);
      }
    } finally {
      this.open--;
    }
  }
}

const frame = (number: number): WrappedCanvas =>
  ({ canvas: { number }, timestamp: number / 25, duration: 1 / 25 }) as unknown as WrappedCanvas;

function frames(video: Video): (seconds: number) => Promise<number | null> {
  const inTurn = new FramesInTurn(video as unknown as CanvasSink);
  return async (seconds) => {
    const found = await inTurn.at(seconds);
    return found === null ? null : Number(Reflect.get(found, 'number'));
  };
}

test('forwards every frame is decoded once, also where some are left out, and it ends with the last', async () => {
  const video = new Video();
  const at = frames(video);
  for (const number of [10, 11, 12, 15, 15, 30]) expect(await at(number / 25 + 0.004)).toBe(number);
  expect([video.jumps.length, video.starts.length]).toEqual([1, 1]);
  // From the eleventh frame to one after the thirtieth, which says when that ends.
  expect(video.decoded).toBe(21);
  for (let number = 40; number < 260; number += 20) await at(number / 25);
  expect(await at(10.9)).toBe(249);
  expect(video.starts).toHaveLength(1);
});

test('backwards and far ahead it is read anew, and what was being read is let go of', async () => {
  const video = new Video();
  const at = frames(video);
  expect([await at(2), await at(2.04), await at(1), await at(1.04), await at(8)]).toEqual([
    50, 51, 25, 26, 200,
  ]);
  expect(video.jumps).toEqual([2, 1, 8]);
  expect(video.open).toBe(0);
});

test('requests at once are met in their order, and one that fails does not hold up the next', async () => {
  const video = new Video();
  const at = frames(video);
  expect(await Promise.all([at(3), at(3.04), at(3.08), at(1), at(1.04)])).toEqual([75, 76, 77, 25, 26]);
  video.getCanvas = () => Promise.reject(new Error('broken'));
  await expect(at(5)).rejects.toThrow('broken');
  expect(await at(5.04)).toBe(126);
});
