import { describe, expect, test } from '@jest/globals';
import type { UnitShape } from '../display/unitShape';
import { outlineBounds } from '../display/outline';
import { IDENTITY, mapPoint } from '../kit/matrix';
import { shapeItem } from '../timeline/shapeItems';
import { newParticlesLayer } from '../model/newLayers';
import { PARTICLE_FORMS } from '../model/template';
import type { ParticlesLayer } from '../model/template';
import type { MeasureContext, PictureSize, PictureSizes } from './layerKind';
import { bindParticles } from './particles';
import { particleOutline } from './particleForms';

const BOX = { x: 0, y: 0, width: 1600, height: 900, firstBaseline: 0, lastBaseline: 0 };
const SIZES: Readonly<Record<string, PictureSize | undefined>> = {
  leaf: { widthPx: 200, heightPx: 100 },
  reed: { widthPx: 100, heightPx: 400 },
};
const PICTURES: PictureSizes = {
  size: (asset) => SIZES[asset],
};

function shapes(more: Partial<ParticlesLayer>, seconds = 3): UnitShape[] {
  const layer = { ...newParticlesLayer('p', 'P'), ...more };
  const measured = bindParticles(layer).measure({ pictures: PICTURES } as unknown as MeasureContext);
  if (measured === null) throw new Error('not measured');
  const made = measured.animate?.(seconds, BOX, IDENTITY, 0.04) ?? [];
  return [...made];
}

const middles = (all: readonly UnitShape[]): { x: number; y: number }[] =>
  all.map((shape) => {
    const rect = shape.kind === 'path' ? outlineBounds(shape.outline) : shape.rect;
    if (rect === null) throw new Error('nothing');
    return { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
  });

const colours = (all: readonly UnitShape[]): string[] =>
  all.flatMap((shape) => (shape.kind === 'path' && shape.paint.kind === 'solid' ? [shape.paint.colour] : []));

test('a picture that is turned is painted turned about its middle, clockwise', () => {
  const rect = { x: 100, y: 100, width: 40, height: 20 };
  const picture = { kind: 'image' as const, asset: 'a', sourcePx: rect, rect, opacity: 1 };
  const item = shapeItem({ ...picture, turnRadians: Math.PI / 2 }, [2, 0, 0, 2, 0, 0], 1);
  if (item.kind !== 'image') throw new Error('no picture');
  const { x, y } = mapPoint(item.matrix, { x: 100, y: 100 });
  expect([x, y]).toEqual([expect.closeTo(260), expect.closeTo(180)]);
  expect(shapeItem(picture, [2, 0, 0, 2, 0, 0], 1)).toEqual({ ...picture, matrix: [2, 0, 0, 2, 0, 0] });
});

describe('particles', () => {
  test.each(PARTICLE_FORMS)('as a %s lie in their square, and look otherwise than the others', (form) => {
    const square = { x: 10, y: 20, width: 30, height: 30 };
    const outline = particleOutline(form, square, 0);
    const bounds = outlineBounds(outline);
    expect(bounds?.height).toBeCloseTo(30);
    expect(bounds?.y).toBeCloseTo(20);
    const others = PARTICLE_FORMS.filter((one) => one !== form).map((one) => particleOutline(one, square, 0));
    for (const other of others) expect(other).not.toEqual(outline);
  });

  test('turn about their middle, clockwise', () => {
    const upright = particleOutline('streak', { x: 0, y: 0, width: 40, height: 40 }, 0);
    const level = particleOutline('streak', { x: 0, y: 0, width: 40, height: 40 }, Math.PI / 2);
    expect(outlineBounds(upright)).toEqual({ x: 17.5, y: 0, width: 5, height: 40 });
    const { x, y, width, height } = outlineBounds(level) ?? BOX;
    expect([x, y, width, height]).toEqual([0, 17.5, 40, 5].map((value) => expect.closeTo(value)));
    const [first] = particleOutline('triangle', { x: 0, y: 0, width: 40, height: 40 }, Math.PI / 2).coords;
    // Its top has gone to the right.
    expect(first).toBeCloseTo(40);
  });

  test('stand upright until they turn, then each at its own pace and way', () => {
    const turns = (spinDegrees: number, seconds: number): number[] =>
      shapes({ picture: 'leaf', spinDegrees }, seconds).map((shape) =>
        shape.kind === 'image' ? (shape.turnRadians ?? 0) : NaN,
      );
    expect(new Set(turns(0, 3))).toEqual(new Set([0]));
    const turned = turns(90, 1.5).map((turn, i) => turn - turns(90, 1)[i]);
    expect(turned.some((turn) => turn > 0.1)).toBe(true);
    expect(turned.some((turn) => turn < -0.1)).toBe(true);
    expect(Math.max(...turned.map(Math.abs))).toBeLessThanOrEqual(Math.PI / 4 + 1e-9);
  });

  test('stray from their way no further than the turbulence says, and smoothly', () => {
    const away = (turbulence: number, seconds: number): number[] => {
      const [calm, stirred] = [middles(shapes({}, seconds)), middles(shapes({ turbulence }, seconds))];
      return calm.map(({ x }, i) => stirred[i].x - x);
    };
    const now = away(0.1, 3);
    expect(Math.max(...now.map(Math.abs))).toBeLessThanOrEqual(160);
    expect(Math.max(...now.map(Math.abs))).toBeGreaterThan(50);
    for (const [i, next] of away(0.1, 3.04).entries()) expect(Math.abs(next - now[i])).toBeLessThan(30);
  });

  test('go from one colour to the other over their life', () => {
    const of = (seconds: number): string[] =>
      colours(shapes({ style: 'burst', colour: '#000000', endColour: '#ffffff', count: 3 }, seconds));
    expect(of(0)).toEqual(['#000000', '#000000', '#000000']);
    const [half] = of(1);
    expect(half).toMatch(/^#(..)\1\1$/);
    expect(parseInt(half.slice(1, 3), 16)).toBeGreaterThan(0x60);
    expect(parseInt(of(1.9)[0].slice(1, 3), 16)).toBeGreaterThan(0xe0);
    expect(new Set(colours(shapes({ colour: '#123456' })))).toEqual(new Set(['#123456']));
  });

  test('as pictures keep their shape, and are nothing while the picture is not here', () => {
    const all = shapes({ picture: 'leaf' });
    expect(all.length).toBeGreaterThan(40);
    for (const shape of all) {
      if (shape.kind !== 'image') throw new Error('no picture');
      expect(shape.rect.width / shape.rect.height).toBeCloseTo(2);
      expect(shape.sourcePx).toEqual({ x: 0, y: 0, width: 200, height: 100 });
    }
    expect(middles(all)).toEqual(
      middles(shapes({})).map(({ x, y }) => ({ x: expect.closeTo(x), y: expect.closeTo(y) })),
    );
    expect(shapes({ picture: 'away' })).toEqual([]);
    // The longer side is as long as a particle is large.
    const sides = (all: readonly UnitShape[]): number[] =>
      all.flatMap((shape) => (shape.kind === 'image' ? Math.max(shape.rect.width, shape.rect.height) : []));
    const reeds = shapes({ picture: 'reed' });
    for (const shape of reeds)
      expect(shape.kind === 'image' && shape.rect.height / shape.rect.width).toBeCloseTo(4);
    const tall = sides(reeds);
    for (const [i, side] of sides(all).entries()) expect(tall[i]).toBeCloseTo(side);
    expect(Math.max(...tall)).toBeLessThanOrEqual(7);
  });

  test('of designs from before lie and look as they did', () => {
    const [first] = middles(shapes({ seed: 1 }));
    expect({ x: Math.round(first.x), y: Math.round(first.y) }).toEqual(BEFORE);
  });
});

// Of the first particle at 3 s, as it was before particles could turn or stray.
const BEFORE = { x: 269, y: 572 };
