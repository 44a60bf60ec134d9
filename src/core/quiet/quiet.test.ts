import { describe, expect, test } from '@jest/globals';
import { DEMO_TEMPLATES, tidelineStrap } from '../../../demo/templates';
import type { Rect } from '../kit/rect';
import { containsRect } from '../kit/rect';
import type { BackdropFrame } from '../proof/eyes';
import { quietMap, restlessness } from './quietMap';
import type { OwnPosition } from './quietPlaces';
import { ownPositions, quietPlaces } from './quietPlaces';

/** A picture that is grey but for stripes in a rectangle (shares); moved by `shift` px. */
function picture(busy: { x: number; y: number; width: number; height: number }, shift = 0): BackdropFrame {
  const [width, height] = [160, 90];
  const data = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    const [x, y] = [(i % width) / width, Math.floor(i / width) / height];
    const inside = x >= busy.x && x < busy.x + busy.width && y >= busy.y && y < busy.y + busy.height;
    const level = inside && Math.floor((i % width) + shift) % 4 < 2 ? 230 : 90;
    data.set([level, level, level, 255], i * 4);
  }
  return { width, height, data, aspect: width / height };
}

const LEFT = { x: 0, y: 0, width: 0.5, height: 1 };
const RIGHT = { x: 0.55, y: 0.05, width: 0.4, height: 0.9 };
const HALF = { x: 0.05, y: 0.05, width: 0.4, height: 0.9 };

describe('a map of rest', () => {
  test('finds detail where it is', () => {
    const map = quietMap([picture(LEFT)], 16 / 9);
    if (map === null) throw new Error('no map');
    expect(restlessness(map, RIGHT)).toBe(0);
    expect(restlessness(map, HALF)).toBeGreaterThan(0.02);
  });

  test('counts what moves for more than what is only detailed', () => {
    const still = quietMap([picture(LEFT), picture(LEFT)], 16 / 9);
    const moving = quietMap([picture(LEFT), picture(LEFT, 2)], 16 / 9);
    if (still === null || moving === null) throw new Error('no map');
    expect(restlessness(moving, HALF)).toBeGreaterThan(restlessness(still, HALF) * 1.5);
    expect(restlessness(moving, RIGHT)).toBe(0);
  });

  test('sees what a tall format shows of a wide picture: its middle', () => {
    const map = quietMap([picture({ x: 0, y: 0, width: 0.3, height: 1 })], 9 / 16);
    if (map === null) throw new Error('no map');
    expect(restlessness(map, { x: 0, y: 0, width: 1, height: 1 })).toBe(0);
    expect(map.rows).toBeGreaterThan(map.columns);
  });

  test('is nothing without pictures', () => {
    expect(quietMap([], 16 / 9)).toBeNull();
  });
});

describe('places for a title', () => {
  const size = { widthU: 1920, heightU: 1080 };
  const safe = { x: 96, y: 54, width: 1728, height: 972 };
  const cover = { x: 100, y: 800, width: 500, height: 200 };
  const map = quietMap([picture(LEFT)], 16 / 9);
  if (map === null) throw new Error('no map');

  test('the quietest of its own first, then free ones in title safe that do not overlap', () => {
    const right = { ...cover, x: 1300 };
    const own: readonly (OwnPosition & { readonly cover: Rect })[] = [
      { label: 'As the template has it', values: {}, cover },
      { label: 'Side: right', values: { side: 'right' }, cover: right },
    ];
    const places = quietPlaces(map, size, safe, cover, own);
    expect(places.slice(0, 2).map(({ label }) => label)).toEqual(['Side: right', 'As the template has it']);
    const free = places.slice(2);
    expect(free.length).toBeGreaterThan(1);
    expect(new Set(free.map(({ label }) => label)).size).toBe(free.length);
    for (const one of free) {
      expect(containsRect(safe, one.cover, 1)).toBe(true);
      expect(one.restlessness).toBe(0);
      expect(one.cover.x - cover.x).toBeCloseTo(one.shift?.dxU ?? 0, 0);
    }
    expect(free[0].label).toMatch(/^Free, \w+ (centre|right)$/);
    expect(Math.min(...free.map((one) => one.cover.x))).toBeGreaterThanOrEqual(930);
  });

  test('a template offers the choices that move something', () => {
    const offered = DEMO_TEMPLATES.flatMap((template) => ownPositions(template));
    expect(offered.length).toBeGreaterThan(0);
    expect(offered.every(({ values }) => Object.keys(values).length === 1)).toBe(true);
    expect(ownPositions({ ...tidelineStrap, fields: [] })).toEqual([]);
  });
});
