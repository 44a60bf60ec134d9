import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { DisplayItem } from '@/core/display/list';
import { listBounds } from '@/core/display/bounds';
import { ellipseOutline } from '@/core/display/shapes';
import { mapItem } from '@/core/timeline/dressItems';
import { serverSurfaces, surfacesWith } from '../server/raster';
import { FinePainter } from './fine/finePainter';
import { Painter } from './painter';
import type { SurfaceMaker } from './surface';

const SIZE = 80;

const disc = (colour: string): DisplayItem => ({
  kind: 'fill',
  outline: ellipseOutline({ x: 3.3, y: 5.7, width: 29, height: 17 }),
  paint: { kind: 'solid', colour },
  // Turned, so that all its edges are soft.
  matrix: [0.9, 0.3, -0.3, 0.9, 4.4, 1.2],
  opacity: 0.8,
});
const DISC = disc('#ff8800');

// The same object in all pictures, as a roll has it.
const DISCS = [DISC];

const movedBy = (x: number, y: number, items: readonly DisplayItem[] = DISCS): DisplayItem => ({
  kind: 'moved',
  byPx: { x, y },
  items,
});

/** How a painter shows items, each pixel as one value; the same painter for all pictures. */
type Shows = (items: readonly DisplayItem[]) => readonly string[];

function onCanvas(surfaces: SurfaceMaker = serverSurfaces): Shows {
  const painter = new Painter(surfaces);
  const context = createCanvas(SIZE, SIZE).getContext('2d');
  return (items) => {
    context.clearRect(0, 0, SIZE, SIZE);
    painter.paint(context, { widthPx: SIZE, heightPx: SIZE, items });
    const { data } = context.getImageData(0, 0, SIZE, SIZE);
    return Array.from({ length: SIZE * SIZE }, (_, i) => data.slice(i * 4, i * 4 + 4).join());
  };
}

function finely(surfaces: SurfaceMaker = serverSurfaces): Shows {
  const painter = new FinePainter(surfaces);
  return (items) => {
    const { planes } = painter.paint({ widthPx: SIZE, heightPx: SIZE, items });
    return Array.from({ length: SIZE * SIZE }, (_, i) => planes.map((plane) => plane[i]).join());
  };
}

describe.each([
  ['a canvas', onCanvas],
  ['fine', finely],
] as const)('what goes by, painted by %s', (_how, painter) => {
  test('is the same to the bit wherever it is, also where the picture cuts it', () => {
    const shows = painter();
    const here = shows([movedBy(20, 30)]);
    const nothing = shows([])[0];
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: -60, max: 60 }),
        fc.boolean(),
        (dx, dy, fresh) => {
          const there = (fresh ? painter() : shows)([movedBy(20 + dx, 30 + dy)]);
          const wanted = Array.from({ length: SIZE * SIZE }, (_one, i) => {
            const [x, y] = [(i % SIZE) - dx, Math.floor(i / SIZE) - dy];
            return x >= 0 && x < SIZE && y >= 0 && y < SIZE ? here[y * SIZE + x] : null;
          });
          // What comes in from outside was not seen before.
          for (const [i, value] of wanted.entries())
            if (value !== null && value !== nothing) expect(there[i]).toBe(value);
          const seen = there.filter((value) => value !== nothing).length;
          expect(seen).toBeLessThanOrEqual(here.filter((value) => value !== nothing).length);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('is another where other items are, and where it throws a shadow', () => {
    const shows = painter();
    const shadow: DisplayItem = {
      kind: 'shadow',
      offsetPx: { x: 0, y: 0 },
      blurPx: 0,
      colour: '#0000ff',
      opacity: 1,
      items: [movedBy(9, 9)],
    };
    const lists = [[movedBy(9, 9)], [movedBy(9, 9, [disc('#00ff88')])], [shadow], [movedBy(9, 9)]];
    // The second round may show what was kept of the first.
    for (const items of [...lists, ...lists]) expect(shows(items)).toEqual(painter()(items));
  });

  test('is there as soon as its picture is', () => {
    const picture = createCanvas(4, 4);
    picture.getContext('2d').fillRect(0, 0, 4, 4);
    let isHere = false;
    const shows = painter(surfacesWith({ picture: () => (isHere ? picture : null) }));
    const image: DisplayItem = {
      kind: 'image',
      asset: 'late',
      sourcePx: { x: 0, y: 0, width: 4, height: 4 },
      rect: { x: 10, y: 10, width: 4, height: 4 },
      matrix: [1, 0, 0, 1, 0, 0],
      opacity: 1,
    };
    const item = movedBy(5, 5, [image]);
    const [before, again] = [shows([item]), shows([item])];
    isHere = true;
    expect(again).toEqual(before);
    expect(shows([item])[15 * SIZE + 15]).not.toBe(before[15 * SIZE + 15]);
  });
});

test('has its bounds where it is, and comes in from far outside', () => {
  const far = [mapItem(DISC, [1, 0, 0, 1, -500, 300])];
  const item = movedBy(520, -280, far);
  expect(listBounds([item])).toEqual(listBounds([mapItem(DISC, [1, 0, 0, 1, 20, 20])]));
  for (const shows of [onCanvas(), finely()]) expect(new Set(shows([item])).size).toBeGreaterThan(5);
});

test('turned upside down it lies where its items would, moved', () => {
  const flip = [1, 0, 0, -1, 0, 90] as const;
  const flipped = mapItem(movedBy(7, 12), flip);
  const wanted = mapItem({ kind: 'group', opacity: 1, items: [movedBy(0, 0)] }, [1, 0, 0, -1, 7, 78]);
  expect(listBounds([flipped])).toEqual(listBounds([wanted]));
  expect(onCanvas()([flipped])).toEqual(onCanvas()([wanted]));
});
