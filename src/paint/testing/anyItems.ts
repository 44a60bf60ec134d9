import fc from 'fast-check';
import type { DisplayItem, Paint } from '@/core/display/list';
import { ellipseOutline, rectOutline } from '@/core/display/shapes';
import type { Matrix } from '@/core/kit/matrix';

/** The side (px) of a picture that any display list mostly lies in. */
export const SIZE = 96;

const coordinate = fc.integer({ min: -40, max: 120 });
const rect = fc.record({
  x: coordinate,
  y: coordinate,
  width: fc.integer({ min: 1, max: 90 }),
  height: fc.integer({ min: 1, max: 90 }),
});
/** A figure in even steps: doubles would nearly all be too small to see. */
const figure = (least: number, most: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: 1000 }).map((step) => least + ((most - least) * step) / 1000);
const factor = figure(-1.6, 1.6);
const matrix: fc.Arbitrary<Matrix> = fc.tuple(factor, factor, factor, factor, coordinate, coordinate);
const solid: Paint = { kind: 'solid', colour: '#ff8800' };
const opacity = figure(0.2, 1);

const leaf: fc.Arbitrary<DisplayItem> = fc.oneof(
  fc.record({ rect, matrix, opacity, round: fc.boolean() }).map((one): DisplayItem => ({
    kind: 'fill',
    outline: one.round ? ellipseOutline(one.rect) : rectOutline(one.rect),
    paint: solid,
    matrix: one.matrix,
    opacity: one.opacity,
  })),
  fc.record({ rect, matrix, width: figure(0.5, 30) }).map((one): DisplayItem => ({
    kind: 'stroke',
    outline: ellipseOutline(one.rect),
    paint: solid,
    width: one.width,
    matrix: one.matrix,
    opacity: 1,
  })),
);

const small = figure(-0.004, 0.004);

/** Any display list, containers within containers. */
export const { items: anyItems } = fc.letrec<{ item: DisplayItem; items: DisplayItem[] }>((tie) => ({
  items: fc.array(tie('item'), { minLength: 1, maxLength: 3 }),
  item: fc.oneof(
    { maxDepth: 4, depthSize: 'small' },
    leaf,
    fc.record({ kind: fc.constant('group' as const), opacity, items: tie('items') }),
    fc.record({
      kind: fc.constant('moved' as const),
      byPx: fc.record({ x: coordinate, y: coordinate }),
      items: tie('items'),
    }),
    fc.record({ kind: fc.constant('atop' as const), items: tie('items') }),
    fc.record({ kind: fc.constant('clip' as const), rectPx: rect, items: tie('items') }),
    fc.record({
      kind: fc.constant('shadow' as const),
      offsetPx: fc.record({ x: coordinate, y: coordinate }),
      blurPx: figure(0, 8),
      colour: fc.constant('#0000ff'),
      opacity,
      items: tie('items'),
    }),
    fc.record({
      kind: fc.constant('mask' as const),
      mode: fc.constantFrom('in' as const, 'out' as const),
      by: fc.constantFrom('alpha' as const, 'brightness' as const),
      items: tie('items'),
      mask: tie('items'),
    }),
    fc.record({
      kind: fc.constant('blur' as const),
      acrossPx: figure(0, 8),
      downPx: figure(0, 8),
      items: tie('items'),
    }),
    fc
      .record({ tilt: fc.tuple(small, small), m: matrix, items: tie('items') })
      .map(({ tilt: [g, h], m: [a, b, c, d, e, f], items: inner }): DisplayItem => ({
        kind: 'warp',
        map: [a, c, e, b, d, f, g, h, 1],
        opacity: 1,
        items: inner,
      })),
    fc
      .array(tie('items'), { minLength: 1, maxLength: 2 })
      .map((exposures): DisplayItem => ({ kind: 'average', exposures })),
  ),
}));
