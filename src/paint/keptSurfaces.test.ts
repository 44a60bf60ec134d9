import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { DisplayItem } from '@/core/display/list';
import { rectOutline } from '@/core/display/shapes';
import { IDENTITY } from '@/core/kit/matrix';
import { serverSurfaces, surfacesWith } from '../server/raster';
import type { OwnSurfaceItem } from './keptSurfaces';
import { KeptSurfaces } from './keptSurfaces';
import { Painter } from './painter';
import type { Surface } from './surface';
import { anyItems, SIZE } from './testing/anyItems';

const AREA = { x: 0, y: 0, width: 100, height: 50 };

const fill = (x: number): DisplayItem => ({
  kind: 'fill',
  outline: rectOutline({ x, y: 10, width: 20, height: 20 }),
  paint: { kind: 'solid', colour: '#ff0000' },
  matrix: IDENTITY,
  opacity: 1,
});
const shadow = (x: number, blurPx = 4): OwnSurfaceItem => ({
  kind: 'shadow',
  offsetPx: { x: 3, y: 3 },
  blurPx,
  colour: '#000000',
  opacity: 0.5,
  items: [fill(x)],
});

/** Kept surfaces that note what is painted and what is given back. */
function noted(isWhole = () => true) {
  const back: Surface[] = [];
  const kept = new KeptSurfaces((surface) => back.push(surface), isWhole);
  let painted = 0;
  const ask = (item: OwnSurfaceItem, area = AREA, tint?: string): Surface =>
    kept.of(item, area, tint, () => {
      painted++;
      return serverSurfaces.surface(1, 1);
    });
  return { kept, ask, back, paintings: () => painted };
}

describe('what comes again', () => {
  test('is painted when it is seen first and second, and not from then on', () => {
    const { kept, ask, paintings } = noted();
    const first = ask(shadow(1));
    expect(kept.holds(first)).toBe(false);
    const second = ask(shadow(1));
    expect(kept.holds(second)).toBe(true);
    expect(ask(shadow(1))).toBe(second);
    expect(paintings()).toBe(2);
  });

  test.each<[string, OwnSurfaceItem]>([
    ['elsewhere', shadow(2)],
    ['more blurred', shadow(1, 5)],
    ['in another colour', { ...shadow(1), colour: '#ff0000' } as OwnSurfaceItem],
  ])('is painted where it is %s', (_how, other) => {
    const { ask, paintings } = noted();
    for (let i = 0; i < 3; i++) ask(shadow(1));
    ask(other);
    expect(paintings()).toBe(3);
  });

  const mask: OwnSurfaceItem = { kind: 'mask', mode: 'in', by: 'alpha', items: [fill(1)], mask: [fill(2)] };
  const warp: OwnSurfaceItem = {
    kind: 'warp',
    map: [1, 0, 0, 0, 1, 0, 0, 0, 1],
    opacity: 1,
    items: [fill(1)],
  };
  const blur: OwnSurfaceItem = { kind: 'blur', acrossPx: 2, downPx: 2, items: [fill(1)] };
  test.each<[string, OwnSurfaceItem, OwnSurfaceItem]>([
    ['mask turned round', mask, { ...mask, mode: 'out' }],
    ['mask by another measure', mask, { ...mask, by: 'brightness' }],
    ['mask of another shape', mask, { ...mask, mask: [fill(3)] }],
    ['mask of something else', mask, { ...mask, items: [fill(3)] }],
    ['perspective', warp, { ...warp, map: [1, 0, 0, 0, 1, 0, 0.001, 0, 1] }],
    ['blur across', blur, { ...blur, acrossPx: 3 }],
    ['blur down', blur, { ...blur, downPx: 3 }],
    [
      'shutter',
      { kind: 'average', exposures: [[fill(1)], [fill(2)]] },
      { kind: 'average', exposures: [[fill(1)], [fill(3)]] },
    ],
  ])('is painted where it is another %s', (_how, one, other) => {
    const { ask, paintings } = noted();
    for (let i = 0; i < 3; i++) ask(one);
    ask(other);
    expect(paintings()).toBe(3);
  });

  test('serves however it is laid down', () => {
    const { ask, paintings } = noted();
    const group = (opacity: number): OwnSurfaceItem => ({ kind: 'group', opacity, items: [fill(1)] });
    for (const opacity of [1, 0.9, 0.8, 0.7]) ask(group(opacity));
    expect(paintings()).toBe(2);
  });

  test('is another one in another part of the picture, and as a shadow of another colour', () => {
    const { ask, paintings } = noted();
    for (let i = 0; i < 3; i++) ask(shadow(1));
    ask(shadow(1), { ...AREA, x: 1 });
    ask(shadow(1), AREA, '#00ff00');
    expect(paintings()).toBe(4);
  });

  test('is painted as long as a picture of it is not there', () => {
    let there = false;
    const { ask, paintings } = noted(() => there);
    for (let i = 0; i < 4; i++) ask(shadow(1));
    expect(paintings()).toBe(4);
    there = true;
    for (let i = 0; i < 4; i++) ask(shadow(1));
    expect(paintings()).toBe(5);
  });
});

describe('what is kept', () => {
  const large = { x: 0, y: 0, width: 1920, height: 1080 };

  test('goes, the least lately asked for first, when there is no room', () => {
    const { kept, ask, back } = noted();
    const all = Array.from({ length: 6 }, (_, x) => {
      ask(shadow(x), large);
      return ask(shadow(x), large);
    });
    expect(back).toEqual([]);
    ask(shadow(0), large);
    ask(shadow(6), large);
    ask(shadow(6), large);
    expect(back).toEqual([all[1]]);
    expect(kept.holds(all[0])).toBe(true);
    expect(kept.holds(all[1])).toBe(false);
  });

  test('is nothing that would take half the room', () => {
    const { kept, ask } = noted();
    const huge = { x: 0, y: 0, width: 3840, height: 2160 };
    ask(shadow(1), huge);
    expect(kept.holds(ask(shadow(1), huge))).toBe(false);
  });

  test('is not sought among more than a few that were seen once in its place', () => {
    const { ask, paintings } = noted();
    const moving = (x: number): void => void ask(shadow(x));
    moving(0);
    for (let x = 1; x <= 16; x++) moving(x);
    // The first is forgotten, the last is not: it is kept now.
    ask(shadow(16));
    ask(shadow(16));
    expect(paintings()).toBe(18);
    ask(shadow(0));
    ask(shadow(0));
    ask(shadow(0));
    expect(paintings()).toBe(20);
  });

  test('does not grow with what is seen once only', () => {
    const { ask, paintings } = noted();
    ask(shadow(-1));
    for (let x = 0; x < 2000; x++) ask(shadow(x));
    // Seen so long ago that it is as if it were new.
    ask(shadow(-1));
    ask(shadow(-1));
    ask(shadow(-1));
    expect(paintings()).toBe(2003);
  });
});

function pixels(painter: Painter, items: readonly DisplayItem[]): Buffer {
  const context = createCanvas(SIZE, SIZE).getContext('2d');
  painter.paint(context, { widthPx: SIZE, heightPx: SIZE, items });
  return Buffer.from(context.getImageData(0, 0, SIZE, SIZE).data);
}

test('any display list looks the same, to the bit, however often it was painted, over and under what moves', () => {
  const used = new Painter(serverSurfaces);
  fc.assert(
    fc.property(anyItems, (list) => {
      for (let frame = 0; frame < 4; frame++) {
        const items: DisplayItem[] = [
          fill(frame),
          ...list,
          { kind: 'group', opacity: 0.5, items: [fill(frame * 3)] },
        ];
        expect(Buffer.compare(pixels(used, items), pixels(new Painter(serverSurfaces), items))).toBe(0);
      }
    }),
    { numRuns: 60, seed: 18 },
  );
});

test('a picture that comes late is seen in what was painted without it', () => {
  const image = createCanvas(4, 4);
  image.getContext('2d').fillRect(0, 0, 4, 4);
  let there = false;
  const painter = new Painter(surfacesWith({ picture: () => (there ? image : null) }));
  const list: DisplayItem[] = [
    {
      kind: 'mask',
      mode: 'in',
      items: [
        {
          kind: 'image',
          asset: 'late',
          sourcePx: { x: 0, y: 0, width: 4, height: 4 },
          rect: { x: 0, y: 0, width: SIZE, height: SIZE },
          matrix: IDENTITY,
          opacity: 1,
        },
      ],
      mask: [fill(10)],
    },
  ];
  for (let i = 0; i < 3; i++) expect(pixels(painter, list).some((value) => value > 0)).toBe(false);
  there = true;
  expect(pixels(painter, list).some((value) => value > 0)).toBe(true);
});
