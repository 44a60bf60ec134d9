import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { projectOutline, rectToQuad } from './homography';
import { outlineBounds } from './outline';
import {
  corneredRectOutline,
  ellipseOutline,
  lineOutline,
  pathDataOutline,
  regularPolygonOutline,
  starOutline,
  stretchOutline,
} from './shapes';

const RECT = { x: 10, y: 20, width: 200, height: 100 };

describe('shapes fill their rectangle', () => {
  test.each([
    ['a cornered rectangle', corneredRectOutline(RECT, [10, 20, 30, 40], false)],
    ['a chamfered rectangle', corneredRectOutline(RECT, [10, 20, 30, 40], true)],
    ['an ellipse', ellipseOutline(RECT)],
    ['a hexagon', regularPolygonOutline(RECT, 6)],
    ['a star', starOutline(RECT, 5, 0.4)],
    ['a path', stretchOutline(pathDataOutline('M0 0h4v4h-4z') ?? ellipseOutline(RECT), RECT)],
  ])('%s', (_name, outline) => {
    const bounds = outlineBounds(outline);
    for (const side of ['x', 'y', 'width', 'height'] as const)
      expect(bounds?.[side]).toBeCloseTo(RECT[side], 6);
  });

  test('radii that do not fit side by side are all reduced in proportion', () => {
    const outline = corneredRectOutline(RECT, [150, 50, 0, 0], false);
    // 150 + 50 fill the width of 200; 150 down does not fit the height of 100.
    expect(outlineBounds(outline)).toEqual(RECT);
    expect(outline.coords.slice(0, 2)).toEqual([10 + 100, 20]);
  });

  test('a line goes from corner to corner, as thick as it is told, also where it is level', () => {
    const level = outlineBounds(lineOutline({ x: 0, y: 50, width: 100, height: 0 }, 8, false));
    expect(level).toEqual({ x: 0, y: 46, width: 100, height: 8 });
  });
});

describe('path data', () => {
  test.each([
    ['M10 10 L20 10 L20 20 Z', 'MLLZ'],
    ['m10,10 10,0 0,10z', 'MLLZ'],
    ['M0 0 H10 V10 C0 0 5 5 10 10 S 20 20 30 30', 'MLLCC'],
    ['M0 0 Q5 5 10 0 T20 0', 'MQQ'],
  ])('%s', (data, verbs) => expect(pathDataOutline(data)?.verbs).toBe(verbs));

  test('arcs become curves', () => {
    const bounds = outlineBounds(pathDataOutline('M0 10 A10 10 0 0 1 20 10') ?? { verbs: '', coords: [] });
    expect(bounds?.height).toBeCloseTo(10, 1);
  });

  test.each(['', 'nonsense', 'M', 'L10 10', 'M0 0 L', 'M1 1', `M0 0${' L1 1'.repeat(60_000)}`])(
    'what draws nothing, is broken or far too long is refused: %.20s',
    (data) => expect(pathDataOutline(data)).toBeNull(),
  );

  test('no text at all makes it throw', () => {
    fc.assert(fc.property(fc.string({ maxLength: 80 }), (text) => void pathDataOutline(text)));
  });
});

describe('a corner pin', () => {
  const quad = [
    { x: 0, y: 0 },
    { x: 300, y: 40 },
    { x: 260, y: 200 },
    { x: 20, y: 160 },
  ];

  test('takes the corners of the rectangle to the four points', () => {
    const map = rectToQuad(RECT, quad);
    if (map === null) throw new Error('no map');
    const corners = projectOutline(map, corneredRectOutline(RECT, [0, 0, 0, 0], false)).coords;
    quad.forEach(({ x, y }, i) => {
      expect(corners[i * 2]).toBeCloseTo(x, 6);
      expect(corners[i * 2 + 1]).toBeCloseTo(y, 6);
    });
  });

  test('there is none to a line, nor from an empty rectangle', () => {
    const line = [0, 1, 2, 3].map((i) => ({ x: i * 10, y: i * 10 }));
    expect(rectToQuad(RECT, line)).toBeNull();
    expect(rectToQuad({ ...RECT, width: 0 }, quad)).toBeNull();
  });
});
