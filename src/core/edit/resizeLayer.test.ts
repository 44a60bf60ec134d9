import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import type { PointName } from '../frame/points';
import type { Point } from '../kit/rect';
import { newGroupLayer, newPictureLayer } from '../model/newLayers';
import type { Layer, Template } from '../model/template';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from '../timeline/compile';
import { designTiming } from '../titleTime/moments';
import type { EditPlace } from './editInFormat';
import type { Grip } from './resizeLayer';
import { addProgramme } from './addLayer';
import { gripsOf, resizeIn } from './resizeLayer';

const FORMAT = FORMATS.get('wide-1080');
const EVERYWHERE: EditPlace = { format: FORMAT, scope: null };

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

function seen(template: Template, layerId: string) {
  const title = compile(template, {}, FORMAT, fonts);
  const timing = designTiming(template.timing);
  const [corners, box] = [title.cornersAt(1, timing).get(layerId), title.boxes.get(layerId)];
  if (corners === undefined || box === undefined) throw new Error('not laid out');
  return { corners, box };
}

const layerOf = (template: Template, id: string): Layer => {
  const found = template.layers.find((layer) => layer.id === id);
  if (found === undefined) throw new Error(`no layer ${id}`);
  return found;
};

interface How {
  readonly keepsShape?: boolean;
  readonly fromMiddle?: boolean;
}

function drag(template: Template, layerId: string, grip: Grip, by: Point, how: How = {}): Template {
  const { box } = seen(template, layerId);
  return resizeIn(template, EVERYWHERE, {
    keepsShape: false,
    fromMiddle: false,
    ...how,
    ...grip,
    layerId,
    box,
    by,
  });
}

const middle = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** Where a grip is, by the corners clockwise from the top left. */
function at(corners: readonly Point[], { across, down }: Grip): Point {
  const near = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].flatMap(([x, y], i) =>
    (across === 0 || x === across) && (down === 0 || y === down) ? [corners[i]] : [],
  );
  return middle(near);
}

const opposite = ({ across, down }: Grip): Grip => ({
  across: -across as Grip['across'],
  down: -down as Grip['down'],
});

const POINTS: readonly PointName[] = ['topLeft', 'top', 'right', 'centre', 'bottomLeft', 'bottomRight'];
const anyStand = fc.record({
  point: fc.constantFrom(...POINTS),
  rotateDegrees: fc.integer({ min: -180, max: 180 }),
  scaleX: fc.constantFrom(1, 0.5, 2),
  scaleY: fc.constantFrom(1, 1.5),
});
const anyBy = fc.record({ x: fc.integer({ min: -50, max: 50 }), y: fc.integer({ min: -50, max: 50 }) });

describe('a box', () => {
  test('follows the pointer by any grip, however it is turned, scaled and held, and the side across stays', () => {
    fc.assert(
      fc.property(anyStand, fc.constantFrom(...gripsOf(testBox('b'))), anyBy, (stand, grip, by) => {
        const size = { width: { kind: 'fixed', u: 300 }, height: { kind: 'fixed', u: 200 } } as const;
        const before = testTemplate([
          testBox('b', {
            ...size,
            place: { ...place({ dxU: 800, dyU: 500, point: stand.point }), ...stand },
          }),
        ]);
        const was = seen(before, 'b').corners;
        const now = seen(drag(before, 'b', grip, by), 'b').corners;
        const still = [at(was, opposite(grip)), at(now, opposite(grip))];
        expect(Math.hypot(still[0].x - still[1].x, still[0].y - still[1].y)).toBeLessThan(0.5);
        // Along its own sides, as far as it can be dragged.
        const moved = { x: at(now, grip).x - at(was, grip).x, y: at(now, grip).y - at(was, grip).y };
        const angle = (stand.rotateDegrees * Math.PI) / 180;
        const along = { x: Math.cos(angle), y: Math.sin(angle) };
        const athwart = { x: -along.y, y: along.x };
        const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
        if (grip.across !== 0) expect(Math.abs(dot(moved, along) - dot(by, along))).toBeLessThan(0.5);
        if (grip.down !== 0) expect(Math.abs(dot(moved, athwart) - dot(by, athwart))).toBeLessThan(0.5);
      }),
      { numRuns: 150, seed: 12 },
    );
  });

  test('keeps its proportion with Shift, and its middle with Alt', () => {
    const before = testTemplate([testBox('b', { place: place({ dxU: 500, dyU: 400 }) })]);
    const kept = seen(
      drag(before, 'b', { across: 1, down: 1 }, { x: 100, y: 0 }, { keepsShape: true }),
      'b',
    ).box;
    expect([kept.width, kept.height]).toEqual([200, 100]);
    const round = drag(before, 'b', { across: 1, down: 0 }, { x: 30, y: 0 }, { fromMiddle: true });
    expect(seen(round, 'b').box).toMatchObject({ x: 470, y: 400, width: 160, height: 50 });
  });

  test('never turns inside out', () => {
    const before = testTemplate([testBox('b')]);
    const { box } = seen(drag(before, 'b', { across: 1, down: 1 }, { x: -900, y: -900 }), 'b');
    expect([box.width, box.height]).toEqual([4, 4]);
  });

  test('that encloses others takes other padding, at the side that is dragged', () => {
    const encloses = { kind: 'encloses' } as const;
    const before = testTemplate([
      testBox('inside', { place: place({ dxU: 500, dyU: 400 }) }),
      testBox('panel', { encloses: ['inside'], width: encloses, height: encloses }),
    ]);
    const after = drag(before, 'panel', { across: -1, down: 1 }, { x: -20, y: 12 });
    expect(layerOf(after, 'panel')).toMatchObject({
      padding: { leftU: 20, topU: 0, rightU: 0, bottomU: 12 },
    });
    expect(seen(after, 'panel').box).toMatchObject({ x: 480, y: 400, width: 120, height: 62 });
    expect(layerOf(after, 'inside')).toBe(before.layers[0]);
  });

  test('that is as wide as another has no grips at its sides', () => {
    const layer = testBox('b', { width: { kind: 'matches', layerId: 'a' } });
    expect(gripsOf(layer)).toEqual([
      { across: 0, down: -1 },
      { across: 0, down: 1 },
    ]);
  });
});

describe('a text', () => {
  const before = testTemplate([testText('t', 'Osier Reach', { place: place({ dxU: 300, dyU: 300 }) })]);

  test('takes a column at its sides', () => {
    const { box } = seen(before, 't');
    const after = drag(before, 't', { across: 1, down: 0 }, { x: -box.width / 2, y: 0 });
    expect(layerOf(after, 't')).toMatchObject({ columnU: Math.round(box.width * 5) / 10 });
    expect(seen(after, 't').box).toMatchObject({ x: 300, y: 300 });
  });

  test('takes another size of type at its corners, the corner across staying', () => {
    const { box, corners } = seen(before, 't');
    const after = drag(before, 't', { across: -1, down: -1 }, { x: -box.width / 4, y: 0 });
    const [was, now] = [before, after].map((template) => layerOf(template, 't'));
    if (was.kind !== 'text' || now.kind !== 'text') throw new Error('no text');
    expect(now.style.sizeU).toBe(Math.round(was.style.sizeU * 1.25));
    const corner = seen(after, 't').corners[2];
    expect(Math.hypot(corner.x - corners[2].x, corner.y - corners[2].y)).toBeLessThan(2);
  });
});

test('a picture of its own size gets one that is set, and keeps its proportion at its corners', () => {
  const before = testTemplate([
    { ...newPictureLayer('p', 'P', null as never), sizing: 'fixed', widthU: 400, heightU: 100 },
  ]);
  const after = drag(before, 'p', { across: 1, down: 1 }, { x: 200, y: 0 });
  expect(layerOf(after, 'p')).toMatchObject({ sizing: 'fixed', widthU: 600, heightU: 150 });
});

test('the programme picture gets another width at its corners, and keeps the proportions of the frame', () => {
  const { template, layerId } = addProgramme(testTemplate([testText('line', 'Osier')]));
  const before = seen(template, layerId).box;
  expect(before.width / before.height).toBeCloseTo(16 / 9, 3);
  const sized = drag(template, layerId, { across: 1, down: 1 }, { x: 90, y: 10 });
  const after = seen(sized, layerId);
  expect(layerOf(sized, layerId)).toMatchObject({ widthU: before.width + 90, place: { scaleX: 1 } });
  expect(after.box.width / after.box.height).toBeCloseTo(16 / 9, 3);
  const [still] = seen(template, layerId).corners;
  expect(Math.hypot(after.corners[0].x - still.x, after.corners[0].y - still.y)).toBeLessThan(0.1);
});

test('a group is scaled', () => {
  const before = testTemplate([
    newGroupLayer('g', 'G', ['a']),
    testBox('a', { place: place({ dxU: 400, dyU: 300 }) }),
  ]);
  const after = drag(before, 'g', { across: 1, down: 1 }, { x: 50, y: 0 });
  expect(layerOf(after, 'g').place).toMatchObject({ scaleX: 1.5, scaleY: 1.5 });
});
