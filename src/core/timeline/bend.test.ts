import { beforeAll, describe, expect, test } from '@jest/globals';
import { listBounds } from '../display/bounds';
import type { DisplayItem } from '../display/list';
import { outlineBounds, replayOutline } from '../display/outline';
import type { Outline } from '../display/outline';
import { sampleOutline } from '../display/sampleOutline';
import { ellipseOutline, rectOutline } from '../display/shapes';
import { FORMATS } from '../frame/formats';
import type { Point } from '../kit/rect';
import type { Bend } from '../model/bend';
import { FIRST_BEND } from '../model/bend';
import { motionOf, newMoveUse } from '../model/newMove';
import type { Layer } from '../model/template';
import { serverFonts } from '../../server/fontFiles';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { bendingOf } from './bend';
import { compile } from './compile';

const BOX = { x: 100, y: 200, width: 400, height: 100 };
const STRAIGHT: Bend = { ...FIRST_BEND, arcDegrees: 0 };

function bent(bend: Partial<Bend>): (x: number, y: number) => Point {
  const bending = bendingOf({ ...STRAIGHT, ...bend }, BOX);
  if (bending === null) throw new Error('nothing bent');
  return (x, y) => bending.map({ x, y });
}

describe('a bend', () => {
  test('with nothing in it does nothing', () => {
    expect(bendingOf(STRAIGHT, BOX)).toBeNull();
  });

  test('leans about the foot', () => {
    const at = bent({ leanDegrees: 45 });
    expect(at(100, 300)).toEqual({ x: 100, y: 300 });
    expect(at(100, 200).x).toBeCloseTo(200);
    expect(at(100, 200).y).toBe(200);
  });

  test('lays the middle line on a half circle that keeps its length', () => {
    const at = bent({ arcDegrees: 180 });
    const radius = 400 / Math.PI;
    expect(at(300, 250)).toEqual({ x: 300, y: 250 });
    expect(at(100, 250).x).toBeCloseTo(300 - radius);
    expect(at(100, 250).y).toBeCloseTo(250 + radius);
    expect(at(500, 250).x).toBeCloseTo(300 + radius);
    let length = 0;
    for (let x = 100; x < 500; x++) {
      const [a, b] = [at(x, 250), at(x + 1, 250)];
      length += Math.hypot(a.x - b.x, a.y - b.y);
    }
    expect(length).toBeCloseTo(400, 1);
    // What lies above it is on a wider circle.
    expect(at(100, 200).x).toBeCloseTo(300 - radius - 50);
  });

  test('with its middle down is the same the other way up', () => {
    const [up, down] = [bent({ arcDegrees: 70 }), bent({ arcDegrees: -70 })];
    const flipped = down(180, 230);
    expect(up(180, 270)).toEqual({ x: expect.closeTo(flipped.x), y: expect.closeTo(500 - flipped.y) });
  });

  test('runs in a wave of a height and a length, and is moved on', () => {
    const at = bent({ waveU: 20, waveLengthU: 80 });
    expect(at(100, 250).y).toBeCloseTo(250);
    expect(at(120, 250)).toEqual({ x: 120, y: expect.closeTo(270) });
    expect(at(160, 250).y).toBeCloseTo(230);
    expect(bent({ waveU: 20, waveLengthU: 80, waveShift: 0.25 })(140, 250).y).toBeCloseTo(270);
  });

  test('is stirred by noise: no further than it says, smoothly, the same each time, and changed when it is shifted', () => {
    const at = bent({ noiseU: 30, noiseSizeU: 50 });
    let most = 0;
    for (let x = 100; x < 500; x += 0.5) {
      const [here, next] = [at(x, 250), at(x + 0.5, 250)];
      most = Math.max(most, Math.abs(here.x - x), Math.abs(here.y - 250));
      expect(Math.hypot(here.x - next.x, here.y - next.y)).toBeLessThan(2.5);
    }
    expect(most).toBeLessThanOrEqual(30);
    expect(most).toBeGreaterThan(10);
    expect(bent({ noiseU: 30, noiseSizeU: 50 })(333, 222)).toEqual(at(333, 222));
    for (const other of [{ noiseShift: 0.4 }, { seed: 2 }, { noiseSizeU: 60 }])
      expect(bent({ noiseU: 30, noiseSizeU: 50, ...other })(333, 222)).not.toEqual(at(333, 222));
  });

  test('mirrored is what a mirror in the middle of the box shows', () => {
    const bend = { leanDegrees: 20, arcDegrees: 80, waveU: 9, noiseU: 12 };
    const [plain, mirrored] = [bent(bend), bent({ ...bend, mirrored: true })];
    const flip = ({ x, y }: Point): Point => ({ x: 600 - x, y });
    for (const [x, y] of [
      [130, 210],
      [300, 250],
      [470, 290],
    ]) {
      const shown = flip(plain(600 - x, y));
      expect(mirrored(x, y)).toEqual({ x: expect.closeTo(shown.x), y: expect.closeTo(shown.y) });
    }
  });

  test.each<Partial<Bend>>([
    { arcDegrees: 200 },
    { waveU: 40, waveLengthU: 60 },
    { noiseU: 20, noiseSizeU: 40 },
  ])('is followed by its pieces to a twentieth of what it bends: %o', (part) => {
    const bending = bendingOf({ ...STRAIGHT, ...part }, BOX);
    if (bending === null) throw new Error('nothing bent');
    const { map, pieceU } = bending;
    for (let x = BOX.x; x < BOX.x + BOX.width; x += pieceU) {
      const [a, b] = [map({ x, y: 230 }), map({ x: x + pieceU, y: 230 })];
      const middle = map({ x: x + pieceU / 2, y: 230 });
      expect(Math.hypot((a.x + b.x) / 2 - middle.x, (a.y + b.y) / 2 - middle.y)).toBeLessThan(1);
    }
  });
});

describe('an outline in short pieces', () => {
  const pointsOf = (outline: Outline): Point[] => {
    const points: Point[] = [];
    const add = (x: number, y: number): void => void points.push({ x, y });
    const never = (): void => {
      throw new Error('a curve is left');
    };
    replayOutline(outline, {
      moveTo: add,
      lineTo: add,
      quadraticCurveTo: never,
      bezierCurveTo: never,
      closePath: () => undefined,
    });
    return points;
  };

  test('lies on the curves that it stands for, in pieces no longer than wanted', () => {
    const points = pointsOf(
      sampleOutline(ellipseOutline({ x: 0, y: 0, width: 200, height: 200 }), 5, (p) => p),
    );
    for (const [i, { x, y }] of points.entries()) {
      // Four cubics come within 0.03 % of a circle.
      expect(Math.hypot(x - 100, y - 100)).toBeCloseTo(100, 0);
      const next = points[i + 1] ?? points[0];
      expect(Math.hypot(x - next.x, y - next.y)).toBeLessThanOrEqual(5);
    }
    expect(points.length).toBeGreaterThan(100);
  });

  test('bends the side that closes a contour like the others', () => {
    const rect: Outline = { verbs: 'MLLLZ', coords: [0, 0, 100, 0, 100, 40, 0, 40] };
    const bulged = sampleOutline(rect, 4, ({ x, y }) => ({ x: x - (40 - y) * y, y }));
    expect(outlineBounds(bulged)?.x).toBeCloseTo(-400);
  });
});

const STILL = motionOf(null, null);
const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);

describe('a bent layer', () => {
  let fonts: FontLibrary;
  beforeAll(async () => {
    fonts = await serverFonts();
  });

  const itemsAt = (layers: readonly Layer[], seconds: number): readonly DisplayItem[] =>
    compile(testTemplate(layers, { timing: TIMING }), {}, FORMATS.get('wide-1080'), fonts).frame(
      seconds,
      LENGTH,
    ).items;
  const words = (motion: Partial<Layer['motion']> = {}): Layer =>
    testText('words', 'Lantern Regatta', {
      place: place({ dxU: 400, dyU: 500 }),
      motion: { ...STILL, ...motion },
    });

  test('has bent letters: an arc takes more height, the letters within are not upright', () => {
    const [straight, arc] = [
      itemsAt([words()], 2),
      itemsAt([words({ bend: { ...STRAIGHT, arcDegrees: 120 } })], 2),
    ];
    const [a, b] = [listBounds(straight), listBounds(arc)];
    expect(b?.height ?? 0).toBeGreaterThan(1.8 * (a?.height ?? Infinity));
    expect(b?.width ?? Infinity).toBeLessThan(a?.width ?? 0);
  });

  test('goes with its highlight', () => {
    const highlight = { colour: '#000000', opacity: 1, padAcrossU: 10, padDownU: 5, radiusU: 0 };
    const lit = (bend: Bend | null): Layer => ({ ...words({ bend }), highlight }) as Layer;
    const [ground] = itemsAt([lit({ ...STRAIGHT, arcDegrees: 120 })], 2);
    const [plain] = itemsAt([lit(null)], 2);
    expect((listBounds([ground])?.height ?? 0) / (listBounds([plain])?.height ?? 1)).toBeGreaterThan(1.5);
  });

  test('is whole at the end of its in, whatever hid it: no edge of it is cut off', () => {
    const bend = { ...STRAIGHT, arcDegrees: 150, waveU: 30 };
    const rest = listBounds(itemsAt([words({ bend })], 2));
    for (const move of ['wipe', 'iris', 'fade', 'rise', 'slices']) {
      const moved = words({ ...motionOf([newMoveUse(move, { lengthSeconds: 1 })], 'mirror'), bend });
      expect(listBounds(itemsAt([moved], 2))).toEqual(rest);
      const nearly = listBounds(itemsAt([moved], 0.99));
      expect(nearly?.width ?? 0).toBeGreaterThan((rest?.width ?? 0) * 0.9);
      expect(nearly?.height ?? 0).toBeGreaterThan((rest?.height ?? 0) * 0.95);
    }
  });

  test('is bent by keys, from nothing on', () => {
    const key = (share: number, value: number) => ({
      moment: { from: 'hold' as const, offsetSeconds: 0, share },
      value,
      way: 'straight' as const,
      curve: [0, 0, 1, 1] as const,
    });
    const box = testBox('box', {
      fill: '#ff0000',
      width: { kind: 'fixed', u: 600 },
      height: { kind: 'fixed', u: 60 },
      place: place({ dxU: 300, dyU: 300 }),
      motion: {
        ...STILL,
        bend: STRAIGHT,
        tracks: [{ path: 'motion.bend.arcDegrees', on: true, keys: [key(0, 0), key(1, 90)] }],
      },
    });
    const title = compile(testTemplate([box], { timing: TIMING }), {}, FORMATS.get('wide-1080'), fonts);
    const heights = [1, 1.5, 2, 2.5, 2.99].map(
      (seconds) => listBounds(title.frame(seconds, LENGTH).items)?.height ?? 0,
    );
    expect(heights[0]).toBeCloseTo(60, 0);
    expect(heights.every((height, i) => i === 0 || height > heights[i - 1])).toBe(true);
    expect(heights[4]).toBeGreaterThan(150);
  });

  test('leaves a rectangle that is not bent as it is', () => {
    const outline = rectOutline(BOX);
    expect(sampleOutline(outline, 1000, (point) => point).coords).toEqual(
      expect.arrayContaining([...outline.coords]),
    );
  });
});
