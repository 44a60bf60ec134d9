import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { DisplayItem, DisplayList } from '@/core/display/list';
import { rectOutline } from '@/core/display/shapes';
import { paintedFormat } from '@/core/frame/formats';
import { PLANES } from '@/core/outputs/output';
import { FinePainter } from '@/paint/fine/finePainter';
import { toEightBits, toSixteenBits } from '@/paint/fine/quantise';
import { Painter } from '@/paint/painter';
import { anyItems } from '@/paint/testing/anyItems';
import { serverSurfaces } from '../raster';
import { createFrameRing, FrameRing } from './frameRing';
import { FrameSlots, WholeFrame } from './wholeFrame';

// More than two tiles each way, so that what lies in the first two leaves some empty.
const SIDE = 132;
const FORMAT = { ...paintedFormat('wide-1080', false), widthPx: SIDE, heightPx: SIDE };

const listOf = (items: readonly DisplayItem[]): DisplayList => ({ widthPx: SIDE, heightPx: SIDE, items });

/** The whole frame as a canvas or the fine painter has it: straight alpha, the lower field second. */
function plainly(
  lists: readonly DisplayList[],
  shades: 'plain' | 'dithered' | 'deep',
): Uint8ClampedArray | Uint16Array {
  const [first, second = first] = lists.map((list) => {
    const turned = shades === 'deep' ? toSixteenBits : toEightBits;
    const all = { x: 0, y: 0, width: SIDE, height: SIDE };
    if (shades !== 'plain') return turned(new FinePainter(serverSurfaces).paintPart(list.items, all));
    const context = createCanvas(SIDE, SIDE).getContext('2d');
    new Painter(serverSurfaces).paint(context, list);
    return context.getImageData(0, 0, SIDE, SIDE).data;
  });
  const stride = SIDE * 4;
  for (let y = 1; y < SIDE; y += 2) first.set(second.subarray(y * stride, (y + 1) * stride), y * stride);
  return first;
}

/** A scrim under all that a picture shows. */
const GROUND: DisplayItem = {
  kind: 'fill',
  outline: rectOutline({ x: 0, y: 0, width: SIDE, height: SIDE }),
  paint: { kind: 'solid', colour: '#204060' },
  matrix: [1, 0, 0, 1, 0, 0],
  opacity: 0.3,
};

/** Pictures of one field each, or two, in which something stays and something changes, as frames in a row do. */
const pictures = fc
  .tuple(
    anyItems,
    fc.array(fc.tuple(anyItems, anyItems), { minLength: 2, maxLength: 4 }),
    fc.boolean(),
    // The fields that have a ground.
    fc.constantFrom(0, 1, 2),
  )
  .map(([stays, changing, inFields, grounds]) =>
    changing.map((fields, i) =>
      fields.slice(0, inFields ? 2 : 1).map((items, field) => {
        const ground = field < grounds ? [GROUND] : [];
        return listOf([...ground, ...(i % 2 === 0 ? [...stays, ...items] : [...items, ...stays])]);
      }),
    ),
  );

test('pictures shown one after another in a frame, and copied to the slots of a ring, are those painted from nothing', () => {
  let seen = 0;
  fc.assert(
    fc.property(
      pictures,
      fc.constantFrom('straight' as const, 'straight' as const, 'fill' as const, ...PLANES),
      fc.constantFrom(
        'plain' as const,
        'plain' as const,
        'plain' as const,
        'dithered' as const,
        'deep' as const,
      ),
      (shown, plane, shades) => {
        const task = { frames: 'rgba', shades } as const;
        const ring = createFrameRing(2, SIDE * SIDE * 4 * (shades === 'deep' ? 2 : 1));
        const frame = new WholeFrame(serverSurfaces, task, FORMAT, plane);
        const slots = new FrameSlots(ring, frame, FORMAT);
        for (const [i, lists] of shown.entries()) {
          slots.changed(frame.show(lists));
          const fresh = new WholeFrame(serverSurfaces, task, FORMAT, plane);
          fresh.show(lists);
          expect(Buffer.from(frame.pixels.buffer).equals(Buffer.from(fresh.pixels.buffer))).toBe(true);
          const length = slots.write(i % 2);
          const slot = new FrameRing(ring).bytes(i % 2, length);
          expect(Buffer.from(slot).equals(Buffer.from(frame.pixels.buffer))).toBe(true);
          if (plane !== 'straight') continue;
          const plain = plainly(lists, shades);
          if (plain.some((value) => value > 0)) seen++;
          for (let at = 0; at < plain.length; at += 4) {
            if (frame.pixels[at + 3] !== plain[at + 3]) throw new Error(`Alpha at ${at / 4}`);
            if (plain[at + 3] === 0) continue;
            for (let j = at; j < at + 3; j++)
              if (frame.pixels[j] !== plain[j])
                throw new Error(`${frame.pixels[j]} and not ${plain[j]} at ${at / 4}`);
          }
        }
      },
    ),
    { numRuns: 24, seed: 12 },
  );
  expect(seen).toBeGreaterThan(10);
});

test('a small thing that jumps across a frame leaves nothing behind, in the frame, round it, and in slots that missed it', () => {
  const format = { ...FORMAT, widthPx: 500, heightPx: 70 };
  const box = (x: number): DisplayList => ({
    widthPx: 500,
    heightPx: 70,
    items: [
      {
        kind: 'fill',
        outline: rectOutline({ x: 0, y: 0, width: 20, height: 20 }),
        paint: { kind: 'solid', colour: '#37a2c9' },
        matrix: [1, 0, 0, 1, x, 8],
        opacity: 1,
      },
    ],
  });
  const task = { frames: 'rgba', shades: 'plain' } as const;
  const ring = createFrameRing(2, 500 * 70 * 4);
  const frame = new WholeFrame(serverSurfaces, task, format, 'straight');
  const slots = new FrameSlots(ring, frame, format);
  for (const [i, x] of [10, 200, 400, 100, 400, 10].entries()) {
    slots.changed(frame.show([box(x)]));
    const fresh = new WholeFrame(serverSurfaces, task, format, 'straight');
    fresh.show([box(x)]);
    expect(Buffer.from(frame.pixels.buffer).equals(Buffer.from(fresh.pixels.buffer))).toBe(true);
    const slot = new FrameRing(ring).bytes(i % 2, slots.write(i % 2));
    expect(Buffer.from(slot).equals(Buffer.from(fresh.pixels.buffer))).toBe(true);
  }
});

test('where only one field has a ground, its colour goes on under the lines of the other', () => {
  for (const fields of [
    [[GROUND], []],
    [[], [GROUND]],
  ]) {
    const frame = new WholeFrame(serverSurfaces, { frames: 'rgba', shades: 'plain' }, FORMAT, 'straight');
    frame.show(fields.map(listOf));
    const colours = new Set<string>();
    const alphas = new Set<number>();
    for (let at = 0; at < frame.pixels.length; at += 4) {
      colours.add(frame.pixels.slice(at, at + 3).join());
      alphas.add(frame.pixels[at + 3]);
    }
    expect(colours.size).toBe(1);
    expect([...alphas].sort()).toEqual([0, 77]);
  }
});

test('over a ground only the lines that change are painted; without one, whole tiles, so that colour goes on from them', () => {
  const line = (y: number): DisplayItem => ({
    ...GROUND,
    outline: rectOutline({ x: 10, y: 0, width: 40, height: 6 }),
    matrix: [1, 0, 0, 1, 0, y],
  });
  const areas = (ground: readonly DisplayItem[]) => {
    const frame = new WholeFrame(serverSurfaces, { frames: 'rgba', shades: 'plain' }, FORMAT, 'straight');
    const [before, after] = [0, 1].map((gone) => listOf([...ground, line(70 - gone), line(100 - gone)]));
    frame.show([before]);
    return frame.show([after]);
  };
  expect(areas([GROUND])).toEqual([
    { x: 10, y: 69, width: 40, height: 7 },
    { x: 10, y: 99, width: 40, height: 7 },
  ]);
  const [only, ...others] = areas([]);
  expect(others).toEqual([]);
  expect(only).toMatchObject({ x: 0, y: 0 });
});
