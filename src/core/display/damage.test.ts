import { describe, expect, test } from '@jest/globals';
import { damageBetween } from './damage';
import type { DisplayItem } from './list';
import { rectOutline } from './shapes';

const box = (x: number, colour = '#ffffff'): DisplayItem => ({
  kind: 'fill',
  outline: rectOutline({ x: 0, y: 0, width: 10, height: 10 }),
  paint: { kind: 'solid', colour },
  matrix: [1, 0, 0, 1, x, 0],
  opacity: 1,
});
const clip = (items: readonly DisplayItem[]): DisplayItem => ({
  kind: 'clip',
  rectPx: { x: 0, y: 0, width: 100, height: 6 },
  items,
});
const group = (opacity: number, ...items: readonly DisplayItem[]): DisplayItem => ({
  kind: 'group',
  opacity,
  items,
});

const at = (x: number, width = 10) => ({ x, y: 0, width, height: 10 });

describe('where two lists may differ', () => {
  test('nowhere when they are the same, all of it when there was nothing', () => {
    expect(damageBetween([box(0)], [box(0)])).toEqual([]);
    expect(damageBetween(null, [box(0), box(30)])).toEqual([at(0), at(30)]);
    expect(damageBetween([box(0)], [])).toEqual([at(0)]);
  });

  test('where something was and where it is, without what stays before and after it', () => {
    expect(damageBetween([box(0), box(40), box(200)], [box(0), box(60), box(200)])).toEqual([at(40), at(60)]);
    expect(damageBetween([box(0), box(200)], [box(0), box(60), box(200)])).toEqual([at(60)]);
    // What goes on only a little is one.
    expect(damageBetween([box(0), box(40), box(200)], [box(0), box(42), box(200)])).toEqual([at(40, 12)]);
  });

  test('within a group or a clip that stays, cut to what the clip shows', () => {
    expect(damageBetween([clip([box(0), box(50)])], [clip([box(0), box(52)])])).toEqual([
      {
        x: 50,
        y: 0,
        width: 12,
        height: 6,
      },
    ]);
    expect(damageBetween([group(1, box(0), box(50))], [group(1, box(0), box(52))])).toMatchObject([
      { x: 50 },
    ]);
  });

  test('all of a group that is opaque to another degree', () => {
    expect(damageBetween([group(1, box(0), box(50))], [group(0.5, box(0), box(52))])).toMatchObject([
      {
        x: 0,
        width: 62,
      },
    ]);
  });

  test('what lies atop others counts where it is', () => {
    const atop = (colour: string): DisplayItem => ({ kind: 'atop', items: [box(3, colour)] });
    expect(damageBetween([box(0), atop('#ff0000')], [box(0), atop('#00ff00')])).toMatchObject([
      {
        x: 3,
        width: 10,
      },
    ]);
  });
});
