import { createCanvas } from '@napi-rs/canvas';
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Painter } from '../../paint/painter';
import { serverFonts } from '../../server/fontFiles';
import { serverSurfaces } from '../../server/raster';
import { textToCredits } from '../credits/creditText';
import { listBounds } from '../display/bounds';
import type { DisplayItem } from '../display/list';
import { rollLength } from '../credits/rollWays';
import { movingImage, movingImages, movingMoment } from '../display/moving';
import type { FrameFormat } from '../frame/formats';
import { customFormatId, FORMATS, paintedFormat, unitsToPixels } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { multiply } from '../kit/matrix';
import { newCreditsLayer, placeAt } from '../model/newLayers';
import { motionOf, newMoveUse } from '../model/newMove';
import type { CreditRow, RollSetting } from '../model/credits';
import type { CreditsLayer, Template } from '../model/template';
import { testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import type { TitleTiming } from '../titleTime/stretch';
import { stretchTiming } from '../titleTime/stretch';
import { frameToSeconds, RATES } from '../time/rates';
import { compile } from './compile';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const NOWHERE = { x: 0, y: 0, width: 0, height: 0 };
const RATE = RATES.get('25');
const SMALL = FORMATS.get('custom-480x270');
const WIDE = FORMATS.get('wide-1080');
const NEW = newCreditsLayer('credits', 'Credits');
const ROWS = textToCredits(
  Array.from({ length: 12 }, (_, i) => `${i % 4 === 0 ? `# Part ${i}\n` : ''}Role ${i}\tName ${i}`).join(
    '\n',
  ),
).rows;

type More = Partial<Omit<CreditsLayer, 'roll'>> & { readonly roll?: Partial<RollSetting> };

function rolling({ roll, ...more }: More = {}, template: Partial<Template> = {}): Template {
  const layer = { ...NEW, rows: ROWS, ...more, roll: { ...NEW.roll, ...roll } };
  return testTemplate([layer], { timing: { inSeconds: 1, holdSeconds: 10, outSeconds: 1 }, ...template });
}

const timed = (template: Template, frames: number): TitleTiming =>
  stretchTiming(template.timing, frames, RATE);

/** The alpha of a frame, row by row. */
function painter(template: Template, timing: TitleTiming, format: FrameFormat = SMALL) {
  const title = compile(template, {}, format, fonts);
  const canvas = createCanvas(format.widthPx, format.heightPx);
  const context = canvas.getContext('2d');
  return (frame: number): Uint8Array => {
    context.clearRect(0, 0, format.widthPx, format.heightPx);
    new Painter(serverSurfaces).paint(context, title.frame(frameToSeconds(frame, RATE), timing));
    const { data } = context.getImageData(0, 0, format.widthPx, format.heightPx);
    return Uint8Array.from({ length: data.length / 4 }, (_, i) => data[i * 4 + 3]);
  };
}

type Fill = Extract<DisplayItem, { kind: 'fill' }>;

/** The shapes that credits show, where they lie in the picture. */
const fillsOf = (items: readonly DisplayItem[], by = { x: 0, y: 0 }): Fill[] =>
  items.flatMap((item): Fill[] => {
    if (item.kind === 'clip') return fillsOf(item.items);
    if (item.kind === 'moved') return fillsOf(item.items, item.byPx);
    if (item.kind !== 'fill') return [];
    return [{ ...item, matrix: multiply([1, 0, 0, 1, by.x, by.y], item.matrix) }];
  });

const isEmpty = (alpha: Uint8Array): boolean => alpha.every((value) => value === 0);

/** A picture moved by whole pixels. */
function moved(alpha: Uint8Array, dx: number, dy: number, { widthPx, heightPx } = SMALL): Uint8Array {
  const out = new Uint8Array(alpha.length);
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const [fromX, fromY] = [x - dx, y - dy];
      const inside = fromX >= 0 && fromX < widthPx && fromY >= 0 && fromY < heightPx;
      if (inside) out[y * widthPx + x] = alpha[fromY * widthPx + fromX];
    }
  return out;
}

/** How many pixels two pictures differ in, apart from `edge` lines at the ends of the way, where something new comes. */
function differing(a: Uint8Array, b: Uint8Array, edge: number, upright: boolean): number {
  let count = 0;
  for (let y = 0; y < SMALL.heightPx; y++)
    for (let x = 0; x < SMALL.widthPx; x++) {
      const [at, size] = upright ? [y, SMALL.heightPx] : [x, SMALL.widthPx];
      if (at < edge || at >= size - edge) continue;
      if (a[y * SMALL.widthPx + x] !== b[y * SMALL.widthPx + x]) count++;
    }
  return count;
}

describe('a roll', () => {
  test.each([
    ['up', 0, -1],
    ['down', 0, 1],
    ['left', -1, 0],
    ['right', 1, 0],
  ] as const)('%s moves whole lines a frame: each frame is the one before, moved', (way, x, y) => {
    const across = x !== 0;
    const template = rolling({
      roll: { way },
      ...(across && { heightShare: 0.2, rowGapU: 80, widthShare: 1.1 }),
    });
    const timing = timed(template, across ? 900 : 300);
    const paint = painter(template, timing);
    const { pxPerFrame } = compile(template, {}, SMALL, fonts).credits?.rollAt(timing)?.way ?? {
      pxPerFrame: 0,
    };
    expect(Number.isInteger(pxPerFrame)).toBe(true);
    const edge = across ? 40 : pxPerFrame;
    for (const frame of [60, 61, 150, 222]) {
      const before = paint(frame);
      expect(isEmpty(before)).toBe(false);
      const next = moved(before, x * pxPerFrame, y * pxPerFrame);
      expect(differing(next, paint(frame + 1), edge, !across)).toBe(0);
    }
  });

  test('in an interlaced delivery it moves whole lines a field', () => {
    const template = rolling();
    const timing = timed(template, 300);
    const fields = paintedFormat(SMALL.id, true);
    const paint = painter(template, timing, fields);
    const { pxPerFrame } = compile(template, {}, fields, fonts).credits?.rollAt(timing)?.way ?? {
      pxPerFrame: 0,
    };
    expect(pxPerFrame % 2).toBe(0);
    const perField = pxPerFrame / 2;
    for (const frame of [100, 100.5, 180.5])
      expect(differing(moved(paint(frame), 0, -perField), paint(frame + 0.5), perField, true)).toBe(0);
  });

  test('in fields its speed is even at every length, in frames it may be odd', () => {
    const speeds = (interlaced: boolean): number[] =>
      [120, 160, 200, 260, 340].map((frames) => {
        const title = compile(rolling(), {}, paintedFormat(SMALL.id, interlaced), fonts);
        return title.credits?.rollAt(timed(rolling(), frames))?.way.pxPerFrame ?? 0;
      });
    expect(speeds(true).filter((speed) => speed % 2 === 1)).toEqual([]);
    expect(speeds(false).some((speed) => speed % 2 === 1)).toBe(true);
  });

  test('a block that goes by in whole pixels is the same from frame to frame; parts of a pixel and soft ends are not', () => {
    const blocksOf = (roll: Partial<RollSetting>, frames = 300) => {
      const template = rolling({ roll });
      const title = compile(template, {}, SMALL, fonts);
      return [4, 4 + 1 / 25].map((seconds) => {
        const [clip] = title.frame(seconds, timed(template, frames)).items;
        return clip.kind === 'clip' ? clip.items : [];
      });
    };
    const [before, after] = blocksOf({});
    const contents = before.map((item) => (item.kind === 'moved' ? item.items : null));
    expect(contents.length).toBeGreaterThan(3);
    expect(contents).not.toContain(null);
    // The same object, so that nobody need look into it.
    const again = after.filter((item) => item.kind === 'moved' && contents.includes(item.items));
    expect(again.length).toBeGreaterThan(3);
    const [soft] = blocksOf({ softShare: 0.3 });
    const whole = soft.filter(({ kind }) => kind === 'moved').length;
    expect(whole).toBeGreaterThan(1);
    expect(soft.length - whole).toBeGreaterThan(1);
    const [parts] = blocksOf({ wholeLines: false }, 311);
    expect(parts.some(({ kind }) => kind === 'moved')).toBe(false);
  });

  test('letters stand on whole lines, so that their feet are sharp', () => {
    const rows = textToCredits('- HHHH\n- HHHH\n- HHHH').rows;
    for (const sizeU of [41, 43, 46]) {
      const styles = { ...NEW.styles, name: { ...NEW.styles.name, sizeU } };
      const template = rolling({ rows, nameColumns: 1, styles });
      const { items } = compile(template, {}, SMALL, fonts).frame(3, timed(template, 150));
      const feet = fillsOf(items).map(({ outline, matrix }) => {
        const lowest = Math.max(...outline.coords.filter((_, i) => i % 2 === 1));
        return lowest * matrix[3] + matrix[5];
      });
      expect(feet).toHaveLength(3);
      for (const foot of feet) expect(foot).toBeCloseTo(Math.round(foot), 6);
    }
  });

  test('with soft ends, lines come and go by degrees', () => {
    const template = rolling({ roll: { softShare: 0.3 } });
    const [soft, hard] = [template, rolling()].map((one) => painter(one, timed(one, 300))(150));
    const most = (alpha: Uint8Array, from: number, to: number): number =>
      alpha.subarray(from * SMALL.widthPx, to * SMALL.widthPx).reduce((max, one) => Math.max(max, one), 0);
    expect(most(soft, 0, 30)).toBeLessThan(140);
    expect(most(hard, 0, 30)).toBe(255);
    expect(most(soft, 110, 160)).toBe(255);
    expect(most(soft, 240, 270)).toBeLessThan(140);
  });

  test('by parts of a pixel where that is asked for: the next frame is not the one before moved', () => {
    const template = rolling({ roll: { wholeLines: false } });
    const timing = timed(template, 307);
    const { pxPerFrame } = compile(template, {}, SMALL, fonts).credits?.rollAt(timing)?.way ?? {
      pxPerFrame: 0,
    };
    expect(pxPerFrame % 1).not.toBe(0);
    const paint = painter(template, timing);
    const [low, high] = [Math.floor(pxPerFrame), Math.ceil(pxPerFrame)];
    for (const by of [low, high])
      expect(differing(moved(paint(150), 0, -by), paint(151), high, true)).toBeGreaterThan(50);
  });

  test('starts and ends out of the picture, at any length and size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 1500 }), fc.constantFrom(240, 480, 500), (frames, width) => {
        const template = rolling();
        const timing = timed(template, frames);
        const format = FORMATS.get(customFormatId(width, (width * 9) / 16));
        const plan = compile(template, {}, format, fonts).credits?.rollAt(timing);
        if (plan == null) throw new Error('no roll');
        const { way, measure } = plan;
        const gone = way.pxPerFrame * (frames - way.waitFrames);
        expect(gone).toBe(rollLength(measure, Math.round(measure.gapsPx * way.spacing)));
        const paint = painter(template, timing, format);
        expect(isEmpty(paint(0))).toBe(true);
        const first = paint(Math.ceil(30 / way.pxPerFrame));
        expect(isEmpty(first)).toBe(false);
        expect(isEmpty(first.slice(0, first.length - 40 * format.widthPx))).toBe(true);
        // A frame later, all has gone.
        const last = paint(frames - 1);
        const strip = Math.ceil(way.pxPerFrame) * format.widthPx;
        expect(isEmpty(last.slice(strip))).toBe(true);
      }),
      { numRuns: 12 },
    );
  });

  test('every way that is told is the way that it goes when it is asked for', () => {
    const template = rolling({ sectionGapU: 240, rowGapU: 60 });
    const timing = timed(template, 300);
    const ways = compile(template, {}, WIDE, fonts).credits?.rollWays(timing) ?? [];
    expect(ways.length).toBeGreaterThan(1);
    for (const way of ways) {
      const wish = { speedU: way.pxPerFrame / unitsToPixels(WIDE)[3], size: way.size };
      const asked = compile(
        rolling({ wish, sectionGapU: 240, rowGapU: 60 }),
        {},
        WIDE,
        fonts,
      ).credits?.rollAt(timing);
      expect(asked?.way).toEqual(way);
    }
  });

  test('shown small, it goes as it does in its own pixels', () => {
    const template = rolling();
    const timing = timed(template, 300);
    const [whole, small] = [WIDE, previewFormat(WIDE, 320)].map((format) =>
      compile(template, {}, format, fonts),
    );
    expect(small.credits?.rollAt(timing)?.way).toEqual(whole.credits?.rollAt(timing)?.way);
    const placesOf = (title: typeof whole): number[] =>
      fillsOf(title.frame(4, timing).items).map(({ matrix }) => matrix[5]);
    const [large, little] = [placesOf(whole), placesOf(small)];
    expect(large.length).toBeGreaterThan(4);
    little.forEach((y, i) => expect(y).toBeCloseTo(large[i] / 6, 3));
  });

  test('every row comes into the picture', () => {
    const template = rolling();
    const timing = timed(template, 300);
    const title = compile(template, {}, SMALL, fonts);
    const outlines = new Set<unknown>();
    // Also rows that only come near are painted, for what sticks out of them.
    const items = Array.from({ length: 300 }, (_, i) => title.frame(frameToSeconds(i, RATE), timing).items);
    const visit = (list: readonly unknown[]): void => {
      for (const item of list) {
        if (typeof item !== 'object' || item === null) continue;
        if ('outline' in item && 'paint' in item) outlines.add(item.outline);
        if ('items' in item && Array.isArray(item.items)) visit(item.items);
      }
    };
    for (const list of items) visit(list);
    // Three headings, and twelve rows of a role and a name.
    expect(outlines.size).toBe(3 + 12 * 2);
  });

  test('only what is in the picture is evaluated', () => {
    const rows = textToCredits(Array.from({ length: 400 }, (_, i) => `Role ${i}\tName ${i}`).join('\n')).rows;
    const template = rolling({ rows });
    const title = compile(template, {}, SMALL, fonts);
    const timing = timed(template, 3000);
    const [item] = title.frame(60, timing).items;
    // 270 px hold at most two dozen rows of 12 px.
    expect(item.kind === 'clip' ? item.items.length : Infinity).toBeLessThan(80);
  });

  test('that stays stops with its last block in the middle, and goes with the title', () => {
    const template = rolling(
      {
        roll: { ends: 'stays', staysSeconds: 2, slowsSeconds: 0 },
        motion: motionOf(null, [{ ...newMoveUse('fade'), lengthSeconds: 1 }]),
      },
      {},
    );
    const timing = timed(template, 400);
    const paint = painter(template, timing);
    const plan = compile(template, {}, SMALL, fonts).credits?.rollAt(timing);
    const stops = 400 - 25 - 50 - (plan?.way.waitFrames ?? 0);
    const stopped = paint(stops);
    expect(paint(400 - 26)).toEqual(stopped);
    expect(paint(stops - 1)).not.toEqual(stopped);
    const rows = Array.from({ length: SMALL.heightPx }, (_, y) =>
      stopped.subarray(y * SMALL.widthPx, (y + 1) * SMALL.widthPx).some((value) => value > 0),
    );
    const last = rows.lastIndexOf(true);
    expect(Math.abs(last - SMALL.heightPx / 2)).toBeLessThan(8);
    const going = paint(400 - 10);
    const strongest = (alpha: Uint8Array): number => alpha.reduce((most, one) => Math.max(most, one), 0);
    expect(strongest(going)).toBeLessThan(strongest(stopped));
    expect(isEmpty(going)).toBe(false);
  });

  test.each([
    ['frames', WIDE, 1],
    ['fields', paintedFormat('wide-1080', true), 2],
  ])('that stays slows down to that, by whole lines: %s', (_, format, step) => {
    const template = rolling({ roll: { ends: 'stays', staysSeconds: 2, slowsSeconds: 2 } });
    const timing = timed(template, 260);
    const title = compile(template, {}, format, fonts);
    /** Where the last block stands at a frame or a field, in pixels from the top. */
    const place = (frame: number): number => {
      return fillsOf(title.frame(frameToSeconds(frame, RATE), timing).items).at(-1)?.matrix[5] ?? NaN;
    };
    const stops = 260 - 25 - 50;
    const speeds = Array.from({ length: 60 }, (_one, i) => place(stops - 55 + i) - place(stops - 54 + i));
    const even = title.credits?.rollAt(timing)?.way.pxPerFrame ?? NaN;
    expect(even).toBeGreaterThan(4);
    expect(speeds.slice(0, 5)).toEqual(Array(5).fill(even));
    for (const [i, speed] of speeds.entries()) {
      expect(Math.abs(speed / step - Math.round(speed / step))).toBeLessThan(1e-6);
      expect(speed).toBeLessThanOrEqual(speeds[Math.max(0, i - 1)] + 1e-6);
      expect(speed).toBeGreaterThanOrEqual(speeds[Math.max(0, i - 1)] - 2 * step);
    }
    expect(speeds.at(-1)).toBe(0);
    // However it slows, it meets the length: the last block stands in the middle.
    const last = fillsOf(title.frame(frameToSeconds(stops + 10, RATE), timing).items).slice(-2);
    const rows = listBounds(last) ?? NOWHERE;
    expect(Math.abs(rows.y + rows.height / 2 - format.heightPx / 2)).toBeLessThan(20);
    if (step === 2) expect((place(stops - 30) - place(stops - 29.5)) % 1).toBeCloseTo(0, 6);
  });

  test('a smaller window keeps it inside', () => {
    const template = rolling({
      heightShare: 0.5,
      place: placeAt({ point: 'centre', target: { kind: 'frame' }, targetPoint: 'centre' }),
    });
    const paint = painter(template, timed(template, 300));
    const alpha = paint(150);
    const quarter = Math.floor(SMALL.heightPx / 4) * SMALL.widthPx;
    expect(isEmpty(alpha.slice(0, quarter))).toBe(true);
    expect(isEmpty(alpha.slice(alpha.length - quarter))).toBe(true);
    expect(isEmpty(alpha)).toBe(false);
  });

  test('tipped back, lines get smaller the further they have gone', () => {
    const template = rolling({
      motion: { ...motionOf(null, null), turnX: 50, perspectiveU: 900 },
      heightShare: 1.6,
    });
    const alpha = painter(template, timed(template, 300))(150);
    const widthOf = (y: number): number => {
      const line = alpha.subarray(y * SMALL.widthPx, (y + 1) * SMALL.widthPx);
      const seen = [...line.keys()].filter((x) => line[x] > 40);
      return seen.length === 0 ? 0 : seen[seen.length - 1] - seen[0];
    };
    const widest = (from: number, to: number): number =>
      Math.max(...Array.from({ length: to - from }, (_, i) => widthOf(from + i)));
    expect(widest(200, 265)).toBeGreaterThan(widest(60, 125) * 1.2);
    expect(widest(60, 125)).toBeGreaterThan(0);
  });

  test('a picture beside comes with its row and stands as long as it is told', () => {
    const rows = [
      ...ROWS.slice(0, 6),
      {
        id: 'b',
        kind: 'beside' as const,
        asset: 'deck',
        side: 'left' as const,
        atSeconds: null,
        forSeconds: 2,
      },
      ...ROWS.slice(6),
    ];
    const template = rolling({
      rows,
      widthShare: 0.4,
      place: placeAt({ point: 'right', target: { kind: 'titleSafe' }, targetPoint: 'right' }),
    });
    const timing = timed(template, 300);
    // What stands for a picture that is not here.
    const shows = (of: Template, frame: number): boolean =>
      JSON.stringify(compile(of, {}, SMALL, fonts).frame(frameToSeconds(frame, RATE), timing).items, [
        'items',
        'paint',
        'colour',
      ]).includes('#8a8478');
    const seen = Array.from({ length: 300 }, (_, frame) => shows(template, frame));
    const from = seen.indexOf(true);
    const to = seen.lastIndexOf(true);
    expect(from).toBeGreaterThan(20);
    expect(to - from + 1).toBeGreaterThanOrEqual(48);
    expect(to - from + 1).toBeLessThanOrEqual(50);
    const later = rows.map((row) => (row.kind === 'beside' ? { ...row, atSeconds: 8 } : row));
    const at = rolling({ rows: later, widthShare: 0.4, place: template.layers[0].place });
    expect([shows(at, 199), shows(at, 202)]).toEqual([false, true]);
  });

  describe('a video beside', () => {
    const beside = { id: 'b', kind: 'beside', asset: 'video:weir', side: 'left' } as const;
    const sized = {
      size: (asset: string) => (asset === 'video:weir' ? { widthPx: 320, heightPx: 180 } : undefined),
    };
    const shownAt = (
      row: CreditRow,
      frames: readonly number[],
      rate = RATE,
    ): readonly (readonly string[])[] => {
      const template = rolling({ rows: [...ROWS, row], widthShare: 0.4 });
      const timing = stretchTiming(template.timing, 300, rate);
      const title = compile(template, {}, SMALL, fonts, sized);
      return frames.map((frame) => [...movingImages(title.frame(frameToSeconds(frame, rate), timing).items)]);
    };
    const at = (frame: number, rate = RATE): string =>
      movingImage({ id: 'weir', seconds: frame * (1 / (rate.numerator / rate.denominator)) });

    test('is shown from its first frame, one after another, from the frame in which it comes', () => {
      const row = { ...beside, atSeconds: 2, forSeconds: 3 };
      expect(shownAt(row, [49, 51, 52, 77, 124, 126])).toEqual([
        [],
        [at(1)],
        [at(2)],
        [at(27)],
        [at(74)],
        [],
      ]);
    });

    test('that comes between two frames begins with the first that it is seen in, the same in both fields', () => {
      const row = { ...beside, atSeconds: 2.03, forSeconds: 3 };
      // It comes at frame 50.75.
      expect(shownAt(row, [50.5, 51, 51.5, 52, 52.5])).toEqual([[], [at(0)], [at(0)], [at(1)], [at(1)]]);
    });

    test('goes frame by frame at rates that are no whole number', () => {
      const rate = RATES.get('29.97');
      const row = { ...beside, atSeconds: 2.002, forSeconds: 3 };
      const shown = shownAt(
        row,
        Array.from({ length: 80 }, (_, i) => 61 + i),
        rate,
      ).flat();
      const frames = shown.map((name) => (movingMoment(name)?.seconds ?? NaN) * (30_000 / 1001));
      frames.forEach((frame, i) => expect(frame).toBeCloseTo(i + 1, 6));
    });

    test('without a size leaves a plain area where it would be, and fills its place in its own proportions', () => {
      const template = rolling({
        rows: [...ROWS, { ...beside, atSeconds: 2, forSeconds: 3 }],
        widthShare: 0.4,
      });
      const timing = timed(template, 300);
      const shown = (size: typeof sized) =>
        JSON.stringify(
          compile(template, {}, SMALL, fonts, size).frame(frameToSeconds(90, RATE), timing).items,
        );
      expect(shown({ size: () => undefined })).toContain('#8a8478');
      expect(shown(sized)).not.toContain('#8a8478');
      const upright = { size: () => ({ widthPx: 90, heightPx: 160 }) };
      const [, width, height] =
        /"rect":\{"x":[^,]+,"y":[^,]+,"width":([^,]+),"height":([^}]+)\}/.exec(shown(upright)) ?? [];
      expect(Number(width) / Number(height)).toBeCloseTo(90 / 160, 6);
    });
  });
});

describe('cards', () => {
  test('each stands for its words, and all of the title’s time is shared among them', () => {
    const template = testTemplate(
      [
        {
          ...NEW,
          rows: ROWS,
          show: 'cards',
          heightShare: 0.4,
          cards: { rhythm: 'even', overlap: 1, repeatsHeading: true },
        },
      ],
      { timing: { inSeconds: 0, holdSeconds: 12, outSeconds: 0 } },
    );
    const title = compile(template, {}, SMALL, fonts);
    const timing = timed(template, 300);
    const lists = Array.from({ length: 300 }, (_, i) =>
      JSON.stringify(title.frame(frameToSeconds(i, RATE), timing).items),
    );
    // The first comes within the first frame.
    const changes = lists.flatMap((list, i) =>
      i < 2 ? (i === 0 ? [0] : []) : list !== lists[i - 1] ? [i] : [],
    );
    const steps = changes.map((at, i) => (changes[i + 1] ?? 300) - at);
    expect(changes.length).toBeGreaterThan(2);
    expect(Math.max(...steps) - Math.min(...steps)).toBeLessThanOrEqual(2);
    expect(title.credits?.rollAt(timing)).toBeNull();
  });
});
