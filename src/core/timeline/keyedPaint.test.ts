import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import type { DisplayItem } from '../display/list';
import { setKey } from '../edit/editTracks';
import { motionOf } from '../model/newMove';
import type { FieldValue, Keyframe, Layer, Moment } from '../model/template';
import { FORMATS } from '../frame/formats';
import { countingFonts, place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { compile } from './compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';

const WIDE = FORMATS.get('wide-1080');
const TIMING = { inSeconds: 1, holdSeconds: 4, outSeconds: 1 };
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATES.get('25')), RATES.get('25'));

let fonts: FontLibrary;
let shaped: () => number;
beforeAll(async () => {
  ({ fonts, shaped } = countingFonts(await serverFonts()));
});
const at = (from: Moment['from'], offsetSeconds = 0): Moment => ({ from, offsetSeconds, share: 0 });

function keyed(
  layer: Layer,
  path: string,
  keys: readonly (readonly [Moment, FieldValue])[],
  way: Keyframe['way'] = 'straight',
): Layer {
  const set = keys.reduce((done, [moment, value]) => setKey(done, path, moment, value), layer);
  const tracks = set.motion.tracks.map((track) => ({
    ...track,
    keys: track.keys.map((key) => ({ ...key, way })),
  }));
  return { ...set, motion: { ...set.motion, tracks } };
}

const frames = (from = 0, to = 6): number[] =>
  Array.from({ length: (to - from) * 25 }, (_, i) => from + i / 25);

const titleOf = (...layers: Layer[]) => compile(testTemplate(layers, { timing: TIMING }), {}, WIDE, fonts);

/** Where the first shape of a frame lies, in px, and how large it is there. */
function edges(items: readonly DisplayItem[]): { readonly left: number; readonly top: number } {
  const [item] = items;
  if (item?.kind !== 'fill') throw new Error(`no fill but ${item?.kind}`);
  const { matrix, outline } = item;
  const xs = outline.coords.filter((_, i) => i % 2 === 0);
  const ys = outline.coords.filter((_, i) => i % 2 === 1);
  return {
    left: matrix[0] * Math.min(...xs) + matrix[4],
    top: matrix[3] * Math.min(...ys) + matrix[5],
  };
}

describe('keys of what only paints or moves', () => {
  const name = testText('name', 'Ilse Marrow');
  const leaning: Layer = {
    ...name,
    place: { ...name.place, pin: [0, 0, 0, 0, 0, 0, 0, 0] },
    motion: { ...name.motion, turnY: 20, fold: { edge: 'left', degrees: 45, shade: 0.5 } },
    look: {
      ...name.look,
      glow: { sizeU: 10, colour: '#ffffff', opacity: 0.5 },
      reflection: { distanceU: 4, opacity: 0.5, fade: 0.5 },
      shadows: [
        {
          kind: 'drop',
          angleDegrees: 45,
          distanceU: 8,
          softnessU: 4,
          spreadU: 0,
          colour: '#000000',
          opacity: 0.5,
        },
      ],
    },
  };

  test.each([
    ['place.dxU', 0, 300],
    ['place.dyU', 0, -80],
    ['place.rotateDegrees', 0, 45],
    ['place.scaleX', 100, 180],
    ['opacity', 0, 100],
    ['style.fill', '#ff0000', '#0000ff'],
    ['look.blurAcrossU', 0, 30],
    ['motion.turnX', 0, 60],
    ['motion.perspectiveU', 400, 2000],
    ['motion.fold.degrees', 0, 80],
    ['motion.fold.shade', 0, 100],
    ['look.glow.sizeU', 0, 60],
    ['look.reflection.distanceU', 0, 40],
    ['look.reflection.fade', 10, 100],
    ['look.shadows.0.distanceU', 0, 300],
    ['look.shadows.0.softnessU', 0, 60],
    ['place.pin', '0 0 0 0 0 0 0 0', '90 0 -90 30 60 60 0 90'],
  ])('%s never sets a text again', (path, from, to) => {
    const title = titleOf(
      keyed(leaning, path, [
        [at('start'), from],
        [at('end'), to],
      ]),
    );
    const before = shaped();
    const lists = frames().map((seconds) => JSON.stringify(title.frame(seconds, LENGTH)));
    expect(shaped()).toBe(before);
    // And yet no two frames are the same.
    expect(new Set(lists).size).toBe(lists.length);
  });

  test('a key of the size sets that text again, not the others', () => {
    const grows = keyed(name, 'style.sizeU', [
      [at('start'), 60],
      [at('end'), 90],
    ]);
    const others = ['a', 'b', 'c'].map((id) => testText(id, `Other ${id}`));
    const shapedFor = (...layers: Layer[]): number => {
      const title = titleOf(...layers);
      const before = shaped();
      for (const seconds of frames()) title.frame(seconds, LENGTH);
      return shaped() - before;
    };
    expect(shapedFor(grows, ...others)).toBe(shapedFor(grows));
  });

  test('a colour is that of the key at every time, a style part of its own keeps its own', () => {
    const two: Layer = {
      ...name,
      runs: [{ text: 'Ilse ' }, { text: 'Marrow', style: { fill: '#00ff00' } }],
    };
    const title = titleOf(
      keyed(two, 'style.fill', [
        [at('start'), '#ff0000'],
        [at('end'), '#0000ff'],
      ]),
    );
    const colours = (seconds: number): string[] =>
      title
        .frame(seconds, LENGTH)
        .items.flatMap((item) =>
          item.kind === 'fill' && item.paint.kind === 'solid' ? item.paint.colour : [],
        );
    expect(colours(0)).toEqual(['#ff0000', '#00ff00']);
    expect(colours(6)).toEqual(['#0000ff', '#00ff00']);
  });

  test('what hangs on a moving layer goes with it, and a box round it follows', () => {
    const mover = keyed(testBox('mover'), 'place.dxU', [
      [at('start'), 0],
      [at('end'), 600],
    ]);
    const hanger = testBox('hanger', {
      place: place({ target: { kind: 'layer', layerId: 'mover' }, targetPoint: 'topRight', dxU: 10 }),
    });
    const still = testBox('still', { place: place({ dxU: 50, dyU: 500 }) });
    const round = testBox('round', {
      width: { kind: 'encloses' },
      height: { kind: 'encloses' },
      encloses: ['hanger', 'still'],
    });
    const boxes = titleOf(round, mover, hanger, still).boxesAt(3, LENGTH);
    expect(boxes.get('mover')?.x).toBeCloseTo(300, 6);
    expect(boxes.get('hanger')?.x).toBeCloseTo(410, 6);
    expect(boxes.get('still')?.x).toBe(50);
    expect(boxes.get('round')).toMatchObject({ x: 50, y: 0, height: 550 });
    expect(boxes.get('round')?.width).toBeCloseTo(460, 6);
  });
});

describe('slow movement', () => {
  const drift = (way: Keyframe['way'] = 'straight'): Layer =>
    keyed(
      testBox('box', { place: place({ dxU: 100, dyU: 0 }) }),
      'place.dxU',
      [
        [at('start', 1), 100],
        [at('outStart'), 107.4],
      ],
      way,
    );

  test('goes by fractions of a pixel, in even steps', () => {
    const title = titleOf(drift());
    const lefts = frames(2, 4)
      .slice(16, 34)
      .map((seconds) => edges(title.frame(seconds, LENGTH).items).left);
    const steps = lefts.slice(1).map((left, i) => left - lefts[i]);
    for (const step of steps) expect(step).toBeCloseTo(7.4 / 100, 3);
  });

  test.each(['straight', 'smooth', 'round'] as const)(
    'begins and ends on whole pixels without a jump: %s',
    (way) => {
      const title = titleOf(drift(way));
      const lefts = frames().map((seconds) => edges(title.frame(seconds, LENGTH).items).left);
      expect(lefts[0]).toBe(100);
      expect(lefts[lefts.length - 1]).toBe(107);
      for (let i = 1; i < lefts.length; i++) {
        const step = lefts[i] - lefts[i - 1];
        expect(step).toBeGreaterThan(-0.05);
        // The fastest of these ways is twice as fast as the even one; a jump onto a pixel would be up to half of one.
        expect(step).toBeLessThan((7.4 / 100) * 2.6);
      }
    },
  );

  test('what grows slowly grows by fractions, and rests sharp', () => {
    const grows = keyed(testBox('box'), 'width.u', [
      [at('start', 1), 100],
      [at('outStart'), 104.4],
    ]);
    const title = titleOf(grows);
    const rights = frames().map((seconds) => {
      const [item] = title.frame(seconds, LENGTH).items;
      if (item.kind !== 'fill') throw new Error('no fill');
      return Math.max(...item.outline.coords.filter((_, i) => i % 2 === 0));
    });
    expect(rights[0]).toBe(100);
    expect(rights[rights.length - 1]).toBeCloseTo(104, 6);
    for (let i = 1; i < rights.length; i++) expect(Math.abs(rights[i] - rights[i - 1])).toBeLessThan(0.12);
    const moving = rights.slice(60, 90);
    expect(new Set(moving.map((right) => right.toFixed(4))).size).toBe(moving.length);
  });

  test('while it goes across, it stays on its line of pixels', () => {
    const box = testBox('box', { place: place({ dxU: 100, dyU: 20.3 }) });
    const title = titleOf(
      keyed(box, 'place.dxU', [
        [at('start', 1), 100],
        [at('outStart'), 107.4],
      ]),
    );
    for (const seconds of frames()) expect(edges(title.frame(seconds, LENGTH).items).top).toBe(20);
  });
});

describe('depth', () => {
  test('a tipped layer that moves along its plane gets smaller as it goes away', () => {
    const tipped = testBox('box', {
      width: { kind: 'fixed', u: 400 },
      place: place({ dxU: 760, dyU: 500 }),
      motion: motionOf(null, null, { turnX: 60, perspectiveU: 1200 }),
    });
    const title = titleOf(
      keyed(tipped, 'place.dyU', [
        [at('start'), 500],
        [at('end'), -300],
      ]),
    );
    const width = (seconds: number): number => {
      const [item] = title.frame(seconds, LENGTH).items;
      if (item.kind !== 'fill') throw new Error('no fill');
      const xs = item.outline.coords.filter((_, i) => i % 2 === 0);
      return Math.max(...xs) - Math.min(...xs);
    };
    const widths = [0, 2, 4, 6].map(width);
    for (let i = 1; i < widths.length; i++) expect(widths[i]).toBeLessThan(widths[i - 1] * 0.95);
  });

  test('all layers are seen from one point: what is tipped alike, left and right of it, leans towards it', () => {
    const side = (id: string, dxU: number): Layer =>
      testBox(id, {
        place: place({ dxU, dyU: 515 }),
        motion: motionOf(null, null, { turnX: 70, perspectiveU: 500 }),
      });
    const corners = titleOf(side('left', 200), side('right', 1620)).cornersAt(0, LENGTH);
    const lean = (id: string): number => {
      const [topLeft, , , bottomLeft] = corners.get(id) ?? [];
      return topLeft.x - bottomLeft.x;
    };
    // The upper edge is farther away, so it lies nearer to the middle of the frame.
    expect(lean('left')).toBeGreaterThan(5);
    expect(lean('right')).toBeLessThan(-5);
  });

  test('a pinned layer is where its corners are pulled to', () => {
    const pinned = testBox('box', {
      place: place({ dxU: 100, dyU: 100, pin: [0, 0, 200, 30, 0, 0, -40, 10] }),
    });
    const found = titleOf(pinned).cornersAt(0, LENGTH).get('box') ?? [];
    const wanted = [
      [100, 100],
      [400, 130],
      [200, 150],
      [60, 160],
    ];
    found.forEach(({ x, y }, i) => {
      expect(x).toBeCloseTo(wanted[i][0], 6);
      expect(y).toBeCloseTo(wanted[i][1], 6);
    });
    expect(found).toHaveLength(4);
  });
});
