import { beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import { DEMO_TEMPLATES } from '../../../demo/templates';
import { Painter } from '../../paint/painter';
import { serverFonts } from '../../server/fontFiles';
import { serverSurfaces } from '../../server/raster';
import { sampleValues } from '../edit/sampleTexts';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { safeArea } from '../frame/safeAreas';
import { HOLD_MOVES } from '../holdMoves';
import { mirrorRect } from '../kit/rect';
import { MIRRORS_WITH_WORDS } from '../model/mirroring';
import type { Mirroring } from '../model/mirroring';
import { ATTACHMENT_PATH, writeAttachment } from '../model/attachment';
import { FIRST_BEND } from '../model/bend';
import { FOLD_EDGES } from '../moves/fold';
import { motionOf, newHoldUse, newMoveUse } from '../model/newMove';
import { PLAIN_LOOK } from '../model/look';
import { newGroupLayer } from '../model/newLayers';
import type { BoxLayer, Keyframe, Template } from '../model/template';
import { parseTemplate } from '../model/templateSchema';
import { MOVES } from '../moves';
import { PIVOTS } from '../moves/move';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { compile } from '../timeline/compile';
import { stretchTiming } from '../titleTime/stretch';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const ALWAYS: Mirroring = { ...MIRRORS_WITH_WORDS, when: 'always' };
const FORMAT = previewFormat(FORMATS.get('wide-1080'), 192);
const FRAME = safeArea(FORMAT, 'frame');

/** The pixels of a moment, read from left to right, or from right to left. */
function pixelsOf(template: Template, seconds: number, flipped = false): number[] {
  const { widthPx, heightPx } = FORMAT;
  const canvas = createCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  const timing = stretchTiming(template.timing, 75, RATES.get('25'));
  new Painter(serverSurfaces).paint(context, compile(template, {}, FORMAT, fonts).frame(seconds, timing));
  const { data } = context.getImageData(0, 0, widthPx, heightPx);
  const out: number[] = [];
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++)
      for (let part = 0; part < 4; part++)
        out.push(data[(y * widthPx + (flipped ? widthPx - 1 - x : x)) * 4 + part]);
  return out;
}

/** How many of the parts of pixels differ by more than antialiasing can. */
function differing(a: readonly number[], b: readonly number[]): number {
  return a.filter((value, i) => Math.abs(value - b[i]) > 24).length;
}

/** A panel that is not the same on both sides: one corner round, a gradient across, left of the middle. */
function panel(more: Partial<BoxLayer>): BoxLayer {
  return testBox('panel', {
    shape: { kind: 'rectangle', radiiU: [0, 120, 0, 40], corner: 'round' },
    place: place({ point: 'left', targetPoint: 'left', dxU: 300 }),
    width: { kind: 'fixed', u: 560 },
    height: { kind: 'fixed', u: 320 },
    look: {
      ...PLAIN_LOOK,
      gradient: {
        shape: 'linear',
        angleDegrees: 20,
        stops: [
          { at: 0, colour: '#ffffff', opacity: 1 },
          { at: 1, colour: '#103040', opacity: 1 },
        ],
      },
    },
    ...more,
  });
}

const TIMES = [0.12, 0.3, 0.55, 0.8, 1.6, 2.6] as const;

function expectFlipped(template: Template): void {
  const plain = { ...template, mirroring: undefined };
  let seen = 0;
  for (const seconds of TIMES) {
    const [drawn, mirrored] = [pixelsOf(plain, seconds, true), pixelsOf(template, seconds)];
    seen += drawn.filter((value) => value > 0).length;
    // A few pixels along edges: the raster library does not cover them alike from both sides.
    expect({ seconds, alike: differing(drawn, mirrored) < 80 }).toEqual({ seconds, alike: true });
  }
  expect(seen).toBeGreaterThan(0);
}

describe('a mirrored panel is the flipped picture of the one that was drawn', () => {
  test.each(MOVES.list.map(({ id }) => id))('with the move %s', (move) => {
    const use = newMoveUse(move, { startSeconds: 0, lengthSeconds: 0.9 });
    expectFlipped(
      testTemplate([panel({ motion: motionOf({ ...use, unit: 'layer' }, 'mirror') })], { mirroring: ALWAYS }),
    );
  });

  test.each(HOLD_MOVES.list.map(({ id }) => id))('while it holds, with %s', (move) => {
    const motion = { ...motionOf(null, null), hold: [{ ...newHoldUse(move), unit: 'layer' as const }] };
    expectFlipped(testTemplate([panel({ motion })], { mirroring: ALWAYS }));
  });

  test.each(PIVOTS)('about its %s', (pivot) => {
    const use = newMoveUse('turn', { startSeconds: 0, lengthSeconds: 0.9 });
    const motion = motionOf({ ...use, unit: 'layer', pivot }, 'mirror');
    expectFlipped(testTemplate([panel({ motion })], { mirroring: ALWAYS }));
  });

  test('turned, pinned and turned in depth', () => {
    const { place: at } = panel({});
    const motion = { ...motionOf(null, null), turnY: 30 };
    const pin = [10, 20, -60, 5, 30, -40, 0, 80];
    expectFlipped(testTemplate([panel({ place: { ...at, rotateDegrees: 14 } })], { mirroring: ALWAYS }));
    expectFlipped(testTemplate([panel({ place: { ...at, pin } })], { mirroring: ALWAYS }));
    expectFlipped(testTemplate([panel({ motion })], { mirroring: ALWAYS }));
    expectFlipped(testTemplate([panel({ place: { ...at, scaleX: -0.8 } })], { mirroring: ALWAYS }));
    const bend = { ...FIRST_BEND, arcDegrees: 50, leanDegrees: 12, waveU: 14, waveLengthU: 130 };
    expectFlipped(
      testTemplate([panel({ motion: { ...motionOf(null, null), bend } })], { mirroring: ALWAYS }),
    );
    for (const edge of FOLD_EDGES) {
      const fold = { edge, degrees: 50, shade: 0.4 };
      expectFlipped(
        testTemplate([panel({ motion: { ...motionOf(null, null), fold } })], { mirroring: ALWAYS }),
      );
    }
  });

  test('with keyframes of its place, its rotation, its pin and its padding', () => {
    const key = (value: number, share: number): Keyframe => ({
      moment: { from: 'hold', offsetSeconds: 0, share },
      value,
      way: 'smooth',
      curve: [0.3, 0, 0.7, 1],
    });
    const track = (path: string, to: number) => ({ path, on: true, keys: [key(0, 0), key(to, 1)] });
    const moving = (tracks: readonly ReturnType<typeof track>[]) => ({ ...motionOf(null, null), tracks });
    const { place: at } = panel({});
    const motion = moving([
      track('place.dxU', 700),
      track('place.rotateDegrees', 25),
      track('motion.turnY', 20),
    ]);
    expectFlipped(testTemplate([panel({ motion })], { mirroring: ALWAYS }));
    const pinned = { ...at, pin: [0, 0, 0, 0, 0, 0, 0, 0] };
    const pulls = moving([track('place.pin.0', 90), track('place.pin.5', 120), track('place.pin.2', -50)]);
    expectFlipped(testTemplate([panel({ place: pinned, motion: pulls })], { mirroring: ALWAYS }));
    const states = (path: string, from: string, to: string) => ({
      path,
      on: true,
      keys: [from, to].map((value, share): Keyframe => ({ ...key(0, share), value })),
    });
    const whole = moving([states('place.pin', '0 0 0 0 0 0 0 0', '90 0 -50 20 0 120 40 -30')]);
    expectFlipped(testTemplate([panel({ place: pinned, motion: whole })], { mirroring: ALWAYS }));
    const ways = moving([
      states(
        ATTACHMENT_PATH,
        writeAttachment({ ...at, dxU: 100 }),
        writeAttachment({
          ...at,
          point: 'topLeft',
          target: { kind: 'titleSafe' },
          targetPoint: 'left',
          dxU: 40,
        }),
      ),
    ]);
    expectFlipped(testTemplate([panel({ motion: ways })], { mirroring: ALWAYS }));
    const around = testBox('around', {
      encloses: ['panel'],
      width: { kind: 'encloses' },
      height: { kind: 'encloses' },
      padding: { leftU: 40, topU: 10, rightU: 120, bottomU: 10 },
      motion: moving([track('padding.leftU', 200)]),
    });
    expectFlipped(testTemplate([panel({}), around], { mirroring: ALWAYS }));
  });
});

describe('what is mirrored', () => {
  const timing = stretchTiming({ inSeconds: 1, holdSeconds: 4, outSeconds: 0.8 }, 145, RATES.get('25'));
  const boxes = (template: Template, values = {}) =>
    compile(template, values, FORMATS.get('wide-1080'), fonts).boxesAt(2.5, timing);
  const wide = safeArea(FORMATS.get('wide-1080'), 'frame');

  test.each(DEMO_TEMPLATES.map((template) => [template.name, template] as const))(
    '%s lies on the other side with words from right to left, and as it was drawn with others',
    (_name, template) => {
      const values = sampleValues(template, 'arabic');
      const never = { ...template, mirroring: undefined };
      expect(boxes(template)).toEqual(boxes(never));
      const isNever = Object.keys(values).length === 0 || template.mirroring?.when === 'never';
      const expected = isNever ? never : { ...never, mirroring: ALWAYS };
      expect(boxes(template, values)).toEqual(boxes(expected, values));
      for (const [id, box] of boxes({ ...never, mirroring: ALWAYS }, values)) {
        const drawn = boxes(never, values).get(id);
        expect(box.x).toBeCloseTo(drawn === undefined ? NaN : mirrorRect(drawn, wide).x, 6);
        expect(box.y).toBeCloseTo(drawn?.y ?? NaN, 6);
        expect(box.width).toBeCloseTo(drawn?.width ?? NaN, 6);
      }
    },
  );

  const strap = testTemplate(
    [
      testText('name', 'Ilse Marrow', { place: place({ dxU: 200, dyU: 400 }) }),
      testBox('logo', { place: place({ dxU: 40, dyU: 40 }), keepsSide: true }),
    ],
    { mirroring: ALWAYS },
  );

  test('a layer that keeps its side does, and each part can be left as it was drawn', () => {
    expect(boxes(strap).get('logo')?.x).toBe(40);
    expect(boxes(strap).get('name')?.x).not.toBe(200);
    const still = { ...strap, mirroring: { ...ALWAYS, places: false } };
    expect(boxes(still).get('name')?.x).toBe(200);
    expect(compile(still, {}, FORMAT, fonts).mirrored.size).toBe(0);
    expect([...compile(strap, {}, FORMAT, fonts).mirrored]).toEqual(['name']);
    const forms = testTemplate([panel({})], { mirroring: { ...ALWAYS, places: false } });
    expect(
      differing(pixelsOf(forms, 1.6), pixelsOf({ ...forms, mirroring: undefined }, 1.6)),
    ).toBeGreaterThan(0);
    const none = { ...forms, mirroring: { ...ALWAYS, places: false, forms: false } };
    expect(differing(pixelsOf(none, 1.6), pixelsOf({ ...forms, mirroring: undefined }, 1.6))).toBe(0);
  });

  test('what a group holds keeps its side with it', () => {
    const [name, logo] = strap.layers;
    const group = { ...newGroupLayer('group', 'Group', ['name', 'logo']), keepsSide: true };
    const kept = { ...strap, layers: [group, name, { ...logo, keepsSide: undefined }] };
    expect(boxes(kept).get('name')?.x).toBe(200);
    expect(boxes(kept).get('logo')?.x).toBe(40);
    expect(compile(kept, {}, FORMAT, fonts).mirrored.size).toBe(0);
  });

  test('the first word of a line from right to left comes first, from the right', () => {
    const use = newMoveUse('slide', { startSeconds: 0, lengthSeconds: 0.9 });
    const motion = motionOf({ ...use, unit: 'word', overlap: 0 }, null);
    const text = testText('name', 'نور الهلالي', { motion, place: place({ dxU: 300, dyU: 400 }) });
    const { frame } = compile(testTemplate([text], { mirroring: ALWAYS }), {}, FORMAT, fonts);
    const [box] = boxes(testTemplate([text], { mirroring: ALWAYS })).values();
    const inked = frame(0.44, timing).items.flatMap((item) => (item.kind === 'fill' ? [item.matrix[4]] : []));
    expect(inked.length).toBeGreaterThan(0);
    const picture = pixelsOf(testTemplate([text], { mirroring: ALWAYS }), 0.44);
    const columns = picture.flatMap((value, i) =>
      i % 4 === 3 && value > 40 ? [(i >> 2) % FORMAT.widthPx] : [],
    );
    const middle = ((box.x + box.width / 2) * FORMAT.widthPx) / FRAME.width;
    expect(Math.min(...columns)).toBeGreaterThan(middle - 4);
  });

  test('a document says it, and only as it may', () => {
    expect(parseTemplate(strap).mirroring).toEqual(ALWAYS);
    expect(() => parseTemplate({ ...strap, mirroring: { ...ALWAYS, when: 'sometimes' } })).toThrow(
      /mirroring/,
    );
    const [first] = strap.layers;
    expect(() => parseTemplate({ ...strap, layers: [{ ...first, mirrored: { moves: true } }] })).toThrow();
  });
});
