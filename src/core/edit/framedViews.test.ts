import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mixViews, readView, viewCrop, VIEW_PATH } from '../layers/picture';
import { newPictureLayer } from '../model/newLayers';
import type { PictureView, Template } from '../model/template';
import { testTemplate } from '../testing';
import {
  addView,
  changeView,
  framedViews,
  frameViews,
  keptInside,
  moveView,
  removeView,
  viewRect,
  zoomOf,
} from './framedViews';

const DESIGN = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const SIZE = { widthPx: 1600, heightPx: 1000 };
const BOX = { x: 0, y: 0, width: 640, height: 360 };
const shares = fc.double({ min: 0, max: 1, noNaN: true });
const views = fc.record({ x: shares, y: shares, zoom: fc.double({ min: 1, max: 12, noNaN: true }) });
const inside = views.map((view) => keptInside(view, SIZE, BOX));

describe('a view between two', () => {
  test('never shows anything beyond the picture, or beyond all that the two show', () => {
    fc.assert(
      fc.property(inside, inside, fc.double({ min: -0.2, max: 1.2, noNaN: true }), (a, b, share) => {
        const crop = viewCrop(SIZE, BOX, mixViews(a, b, share));
        expect(crop.x).toBeGreaterThanOrEqual(0);
        expect(crop.y).toBeGreaterThanOrEqual(0);
        expect(crop.x + crop.width).toBeLessThanOrEqual(SIZE.widthPx + 1e-6);
        expect(crop.y + crop.height).toBeLessThanOrEqual(SIZE.heightPx + 1e-6);
        if (share < 0 || share > 1) return;
        const [from, to] = [a, b].map((view) => viewCrop(SIZE, BOX, view));
        expect(crop.x).toBeGreaterThanOrEqual(Math.min(from.x, to.x) - 1e-6);
        expect(crop.x + crop.width).toBeLessThanOrEqual(
          Math.max(from.x + from.width, to.x + to.width) + 1e-6,
        );
      }),
    );
  });

  test('grows by the same factor in the same time, and begins and ends as it is asked for', () => {
    fc.assert(
      fc.property(inside, inside, (a, b) => {
        const zooms = [0, 0.25, 0.5, 0.75, 1].map((share) => mixViews(a, b, share).zoom);
        const factor = (b.zoom / a.zoom) ** 0.25;
        for (let i = 1; i < zooms.length; i++) expect(zooms[i] / zooms[i - 1]).toBeCloseTo(factor, 6);
        for (const [share, end] of [
          [0, a],
          [1, b],
        ] as const) {
          const { x, y, zoom } = mixViews(a, b, share);
          expect([x, y, zoom].map((one) => one.toFixed(6))).toEqual(
            [end.x, end.y, end.zoom].map((one) => one.toFixed(6)),
          );
        }
      }),
    );
  });

  test('one point of the picture stays where it is while it grows', () => {
    const [a, b]: PictureView[] = [
      { x: 0.5, y: 0.5, zoom: 1 },
      { x: 0.7, y: 0.4, zoom: 2 },
    ];
    // Where the edges of both are as far from a point: it is seen at the same place in the box at all times.
    const at = (view: PictureView, px: number): number => {
      const { x, width } = viewCrop(SIZE, BOX, view);
      return (px - x) / width;
    };
    const [from, to] = [a, b].map((view) => viewCrop(SIZE, BOX, view));
    const fixed = (from.x * to.width - to.x * from.width) / (to.width - from.width);
    for (const share of [0.2, 0.5, 0.9])
      expect(at(mixViews(a, b, share), fixed)).toBeCloseTo(at(a, fixed), 6);
  });
});

test('a view is the part of the picture with the proportions of its box, and its frame says how large it is', () => {
  const rect = viewRect({ x: 0.5, y: 0.5, zoom: 2 }, SIZE, BOX);
  expect((rect.width * SIZE.widthPx) / (rect.height * SIZE.heightPx)).toBeCloseTo(640 / 360, 9);
  expect(rect).toMatchObject({ x: 0.25, width: 0.5 });
  expect(zoomOf(rect.width, SIZE, BOX)).toBeCloseTo(2, 9);
  expect(keptInside({ x: 0, y: 1, zoom: 2 }, SIZE, BOX)).toEqual({
    x: expect.closeTo(0.25, 9),
    y: expect.closeTo(1 - (0.5 * 900) / 1000 / 2, 9),
    zoom: 2,
  });
});

describe('the views of a picture', () => {
  const picture = newPictureLayer('harbour', 'Harbour', 'asset');
  const start: Template = testTemplate([picture], { timing: DESIGN });
  const seen = (template: Template) =>
    framedViews(template.layers[0], template.timing).map(({ seconds, view }) => [seconds, view.zoom]);

  test('begin with all of it and end closer; more come between, are changed, moved and taken away', () => {
    const framed = frameViews(start, 'harbour');
    expect(seen(framed)).toEqual([
      [0, 1],
      [4, 1.4],
    ]);
    const three = addView(framed, 'harbour', 2, { x: 0.3, y: 0.5, zoom: 3 });
    expect(seen(three).map(([seconds]) => seconds)).toEqual([0, 2, 4]);
    const second = framedViews(three.layers[0], DESIGN)[1];
    const changed = changeView(three, 'harbour', second.index, { x: 0.3, y: 0.5, zoom: 2 });
    expect(seen(changed)[1]).toEqual([2, 2]);
    expect(seen(moveView(changed, 'harbour', second.index, 3))[1][0]).toBeCloseTo(3, 6);
    const one = removeView(removeView(changed, 'harbour', 0), 'harbour', 0);
    expect(seen(one)).toHaveLength(1);
    const none = removeView(one, 'harbour', 0);
    expect(none.layers[0]).toMatchObject({ view: null, motion: { tracks: [] } });
  });

  test('are one track, whose words are figures', () => {
    const [track, ...more] = frameViews(start, 'harbour').layers[0].motion.tracks;
    expect(more).toEqual([]);
    expect(track.path).toBe(VIEW_PATH);
    expect(readView(track.keys[1].value)).toEqual({ x: 0.5, y: 0.5, zoom: 1.4 });
    expect(readView('50 50')).toBeNull();
    expect(readView('50 50 90')).toEqual({ x: 0.5, y: 0.5, zoom: 1 });
  });
});
