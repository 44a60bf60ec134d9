import { beforeAll, describe, expect, test } from '@jest/globals';
import { Painter } from '../../paint/painter';
import { serverFonts } from '../../server/fontFiles';
import { createRasterFrame, serverSurfaces } from '../../server/raster';
import { trimOutline } from '../display/trim';
import { rectOutline } from '../display/shapes';
import { PLAIN_LOOK } from '../model/look';
import { newCopyLayer, newGroupLayer } from '../model/newLayers';
import { motionOf, newHoldUse, newMoveUse } from '../model/newMove';
import type { Layer, Motion } from '../model/template';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { place, testBox, testTemplate, testText } from '../testing';
import { countWords, figureIn } from '../text/figures';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { compile } from './compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';

// 1 u is a third of a pixel, so that painting is quick.
const SMALL = previewFormat(FORMATS.get('wide-1080'), 640);
const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

/** The picture at a time: gives the straight-alpha RGBA of the pixel at a place in design units. */
function picture(layers: readonly Layer[], seconds: number): (x: number, y: number) => number[] {
  const title = compile(testTemplate(layers, { timing: TIMING }), {}, SMALL, fonts);
  const frame = createRasterFrame(SMALL.widthPx, SMALL.heightPx);
  new Painter(serverSurfaces).paint(frame.context, title.frame(seconds, LENGTH));
  const { data } = frame.context.getImageData(0, 0, SMALL.widthPx, SMALL.heightPx);
  return (x, y) => {
    const at = (Math.floor(y / 3) * SMALL.widthPx + Math.floor(x / 3)) * 4;
    return [...data.slice(at, at + 4)];
  };
}

const wide = (id: string, more: Partial<Layer> = {}): Layer =>
  ({
    ...testBox(id, {
      fill: '#ff0000',
      width: { kind: 'fixed', u: 600 },
      height: { kind: 'fixed', u: 300 },
      place: place({ dxU: 300, dyU: 300 }),
    }),
    ...more,
  }) as Layer;
const moving = (motion: Motion): Layer => wide('box', { motion });

describe('a matte', () => {
  const window = testBox('window', {
    fill: '#808080',
    width: { kind: 'fixed', u: 150 },
    height: { kind: 'fixed', u: 300 },
    place: place({ dxU: 450, dyU: 300 }),
  });
  const seen = (by: 'alpha' | 'brightness', inverted: boolean) =>
    picture([wide('box', { matte: { layerId: 'window', by, inverted } }), window], 2);

  test('shows a layer only where it is, and is not seen itself', () => {
    const at = seen('alpha', false);
    expect(at(520, 450)).toEqual([255, 0, 0, 255]);
    expect(at(400, 450)[3]).toBe(0);
  });

  test('inverted shows it everywhere else', () => {
    const at = seen('alpha', true);
    expect(at(520, 450)[3]).toBe(0);
    expect(at(400, 450)).toEqual([255, 0, 0, 255]);
  });

  test('by brightness shows it as far as it is bright', () => {
    expect(seen('brightness', false)(520, 450)[3]).toBeCloseTo(128, -1);
  });
});

describe('hollow text', () => {
  const letter = (more: Partial<Layer>): Layer => {
    const text = testText('t', 'I', { place: place({ dxU: 300, dyU: 200 }) });
    return { ...text, style: { ...text.style, sizeU: 500 }, ...more } as Layer;
  };
  const outlined = {
    ...PLAIN_LOOK,
    outlines: [{ side: 'outside', widthU: 12, colour: '#00ff00', opacity: 1 }],
  } as const;
  /** How many pixels of a row across the letter are wholly of a colour. */
  const across = (layer: Layer, [r, g, b]: readonly number[]): number => {
    const at = picture([layer], 2);
    const row = Array.from({ length: 200 }, (_, i) => at(300 + i, 480));
    return row.filter((pixel) => pixel[0] === r && pixel[1] === g && pixel[2] === b && pixel[3] === 255)
      .length;
  };

  test('has its outline and nothing within it', () => {
    const full = letter({ look: outlined });
    const hollow = letter({ look: outlined, fillOpacity: 0 } as Partial<Layer>);
    expect(across(full, [255, 255, 255])).toBeGreaterThan(20);
    expect(across(hollow, [255, 255, 255])).toBe(0);
    expect(across(hollow, [0, 255, 0])).toBe(across(full, [0, 255, 0]));
    const stroke = picture([hollow], 2);
    const clear = Array.from({ length: 200 }, (_, i) => stroke(300 + i, 480)).filter(([, , , a]) => a === 0);
    expect(clear.length).toBeGreaterThan(100);
  });

  test('half of it lets half through, in parts of other colours as well', () => {
    const half = letter({
      fillOpacity: 0.5,
      runs: [{ text: 'I', style: { fill: '#ff0000' } }],
    } as Partial<Layer>);
    const at = picture([half], 2);
    const most = Math.max(...Array.from({ length: 200 }, (_, i) => at(300 + i, 480)[3]));
    expect(most).toBeGreaterThan(124);
    expect(most).toBeLessThan(132);
  });

  test('by keys it fades parts of other colours with the rest', () => {
    const keyed = letter({
      runs: [{ text: 'I', style: { fill: '#ff0000' } }],
      motion: {
        ...motionOf(null, null),
        tracks: [
          {
            path: 'fillOpacity',
            on: true,
            keys: [0, 1].map((share) => ({
              moment: { from: 'hold', offsetSeconds: 0, share },
              value: share * 100,
              way: 'straight',
              curve: [0, 0, 1, 1],
            })),
          },
        ],
      },
    } as Partial<Layer>);
    const most = (seconds: number): number => {
      const at = picture([keyed], seconds);
      return Math.max(...Array.from({ length: 200 }, (_, i) => at(300 + i, 480)[3]));
    };
    expect(most(1)).toBe(0);
    expect(Math.abs(most(2) - 128)).toBeLessThan(6);
    expect(most(3)).toBe(255);
  });
});

describe('blocks of moves', () => {
  // A red box from 300 to 900 u across; a block of green goes over it in a second.
  const at = (move: string, seconds: number, more = {}) => {
    const params = { colour: '#00ff00', widthU: 30, ...more };
    const use = newMoveUse(move, { lengthSeconds: 1, ease: 'even', params });
    return picture([moving(motionOf({ ...use, unit: 'layer' }, null))], seconds);
  };
  const RED = [255, 0, 0, 255];
  const GREEN = [0, 255, 0, 255];

  test('a block grows over what it uncovers, and leaves it on the other side', () => {
    // A quarter of the time is half of the way over it, but for the moment in which it stands.
    const half = at('sweep', 0.24);
    expect(half(560, 450)).toEqual(GREEN);
    expect(half(640, 450)[3]).toBe(0);
    expect(at('sweep', 0.5)(880, 450)).toEqual(GREEN);
    const leaving = at('sweep', 0.76);
    expect(leaving(560, 450)).toEqual(RED);
    expect(leaving(640, 450)).toEqual(GREEN);
    expect(at('sweep', 1)(880, 450)).toEqual(RED);
  });

  test('a strip of light has uncovered what lies behind it', () => {
    const half = at('light-strip', 0.5);
    expect(half(560, 450)).toEqual(RED);
    expect(half(640, 450)[3]).toBe(0);
    // Brightest in the middle of its 30 u, and gone beyond them.
    expect(half(601, 450)[1]).toBeGreaterThan(200);
    expect(half(622, 450)[3]).toBe(0);
  });

  test('a caret stands before what it types, then behind it', () => {
    expect(at('caret', 0.25)(300, 450)).toEqual(GREEN);
    expect(at('caret', 0.25)(600, 450)[3]).toBe(0);
    expect(at('caret', 0.75)(899, 450)).toEqual(GREEN);
    expect(at('caret', 0.75)(600, 450)).toEqual(RED);
    expect(at('caret', 0)(300, 450)[3]).toBe(0);
  });

  test('a layer that is tipped in depth has its block lie on it', () => {
    const use = newMoveUse('sweep', { lengthSeconds: 1, ease: 'even', params: { colour: '#00ff00' } });
    const tipped = { ...motionOf({ ...use, unit: 'layer' as const }, null), turnY: 60 };
    const seen = picture([moving(tipped)], 0.5);
    expect(seen(600, 450)).toEqual(GREEN);
    // Turned by 60° it is about half as wide.
    expect(seen(340, 450)[3]).toBe(0);
  });

  test('words under a block are not yet seen whole', () => {
    const use = newMoveUse('sweep', { lengthSeconds: 1 });
    const text = testText('t', 'Ilse', { motion: motionOf({ ...use, unit: 'line' }, null) });
    const title = compile(testTemplate([text], { timing: TIMING }), {}, SMALL, fonts);
    expect(title.wordsAt(0.8, LENGTH)[0].covered).toBe(true);
    expect(title.wordsAt(1.2, LENGTH)[0].covered).toBe(false);
  });
});

describe('masks of moves', () => {
  test('a wipe has shown one side and not yet the other', () => {
    const use = newMoveUse('wipe', { lengthSeconds: 1, ease: 'even', params: { angleDegrees: 0, softU: 0 } });
    const at = picture([moving(motionOf(use, 'mirror'))], 0.5);
    expect(at(400, 450)[3]).toBe(255);
    expect(at(800, 450)[3]).toBe(0);
  });

  test('an iris opens from the middle', () => {
    const use = newMoveUse('iris', { lengthSeconds: 1, ease: 'even', params: { softU: 2 } });
    const at = picture([moving(motionOf(use, 'mirror'))], 0.4);
    expect(at(600, 450)[3]).toBe(255);
    expect(at(310, 310)[3]).toBe(0);
  });
});

describe('an open shutter', () => {
  const slide = newMoveUse('slide', {
    lengthSeconds: 1,
    ease: 'even',
    params: { angleDegrees: 180, distanceU: 1500, fades: false },
  });
  const edge = (shutterDegrees: number): number => {
    const at = picture([moving(motionOf(slide, null, { shutterDegrees }))], 0.8);
    // How many pixels along the leading edge are neither clear nor full.
    return Array.from({ length: 200 }, (_, i) => at(500 + i * 3, 450)[3]).filter((a) => a > 8 && a < 247)
      .length;
  };

  test('smears what moves along its way, and leaves what stands sharp', () => {
    expect(edge(0)).toBeLessThanOrEqual(1);
    expect(edge(360)).toBeGreaterThan(12);
    expect(edge(720)).toBeGreaterThan(edge(360));
    const still = picture([moving(motionOf(slide, null, { shutterDegrees: 360 }))], 2);
    expect(still(310, 450)).toEqual([255, 0, 0, 255]);
  });

  test('the smear is as much light as the sharp picture', () => {
    const sum = (shutterDegrees: number): number => {
      const at = picture([moving(motionOf(slide, null, { shutterDegrees }))], 0.8);
      return Array.from({ length: 640 }, (_, i) => at(i * 3, 450)[3]).reduce((a, b) => a + b, 0);
    };
    expect(sum(360) / sum(0)).toBeCloseTo(1, 1);
  });
});

describe('a layer pinned by its corners', () => {
  // The right side is pulled together to its middle, so that the layer is a wedge.
  const pinned = place({ dxU: 300, dyU: 300, pin: [0, 0, 0, 120, 0, -120, 0, 0] });

  test('is bent, also when it is a group or a copy', () => {
    const group: Layer = { ...newGroupLayer('group', 'Group', ['box']), place: pinned };
    const copy: Layer = { ...newCopyLayer('copy', 'Copy', 'box'), place: pinned };
    const hidden = wide('box', { visible: true });
    for (const layers of [[wide('box', { place: pinned })], [group, hidden]]) {
      const at = picture(layers, 2);
      expect(at(320, 330)[3]).toBe(255);
      expect(at(880, 450)[3]).toBe(255);
      expect(at(880, 330)[3]).toBe(0);
    }
    const at = picture([copy, wide('box', { opacity: 0.5 })], 2);
    expect(at(880, 450)[3]).toBeGreaterThan(at(880, 330)[3]);
  });
});

test('what fades keeps its outline whole', () => {
  const outlines = [{ side: 'outside', widthU: 30, colour: '#00ff00', opacity: 1 }] as const;
  const use = newMoveUse('fade', { lengthSeconds: 1, ease: 'even' });
  const layer = wide('box', { look: { ...PLAIN_LOOK, outlines }, motion: motionOf(use, 'mirror') });
  for (const [seconds, alpha] of [
    [0.5, 128],
    [2, 255],
  ]) {
    const at = picture([layer], seconds);
    expect(at(285, 450)[1]).toBe(255);
    expect(Math.abs(at(285, 450)[3] - alpha)).toBeLessThan(3);
  }
});

describe('a solid layer', () => {
  const solid = { depthU: 60, angleDegrees: 0, colour: '#0000ff', bevelU: 12 };
  const at = (): ReturnType<typeof picture> => picture([wide('box', { look: { ...PLAIN_LOOK, solid } })], 2);

  test('has sides of their own colour, darker the farther back, and a face of its own', () => {
    const pixel = at();
    expect(pixel(600, 450)).toEqual([255, 0, 0, 255]);
    const [near, far] = [pixel(909, 450), pixel(951, 450)];
    for (const [red, , blue, alpha] of [near, far])
      expect([red < 60, blue > 90, alpha]).toEqual([true, true, 255]);
    expect(far[2]).toBeLessThan(near[2]);
    expect(pixel(970, 450)[3]).toBe(0);
  });

  test('catches the light on one edge and is shaded on the other', () => {
    const pixel = at();
    expect(pixel(303, 450)[1]).toBeGreaterThan(40);
    expect(pixel(897, 450)[0]).toBeLessThan(215);
  });
});

describe('depth', () => {
  test('a box turned about the upright gets narrower, and its nearer side higher', () => {
    const at = picture([moving(motionOf(null, null, { turnY: 60, perspectiveU: 1200 }))], 2);
    expect(at(600, 450)[3]).toBe(255);
    // Its right end goes away from the eye; its left end comes nearer, and stands out against the middle of the frame.
    expect(at(880, 450)[3]).toBe(0);
    const column = (x: number): number =>
      Array.from({ length: 360 }, (_, i) => at(x, i * 3)[3]).filter((alpha) => alpha > 128).length;
    expect(Math.abs(column(500) - column(700))).toBeGreaterThan(10);
  });

  test('a group turned in depth is seen as one sheet', () => {
    const group = {
      ...newGroupLayer('group', 'Group', ['box']),
      motion: motionOf(null, null, { turnY: 60 }),
    };
    const [together, alone] = [picture([group, wide('box')], 2), picture([moving(group.motion)], 2)];
    for (const x of [380, 470, 560, 650, 740]) expect(together(x, 450)[3]).toBe(alone(x, 450)[3]);
  });
});

describe('several moves at once', () => {
  test('add up: a letter that slides in a line that fades does both', () => {
    const uses = [
      newMoveUse('slide', {
        unit: 'letter',
        overlap: 1,
        lengthSeconds: 1,
        ease: 'even',
        params: { fades: false },
      }),
      newMoveUse('fade', { unit: 'layer', lengthSeconds: 1, ease: 'even' }),
    ];
    const words = testText('words', 'Ab', { motion: motionOf(uses, null) });
    const title = compile(testTemplate([words], { timing: TIMING }), {}, SMALL, fonts);
    const items = title.frame(0.5, LENGTH).items;
    expect(items).toHaveLength(2);
    for (const item of items) {
      expect(item).toMatchObject({ kind: 'fill', opacity: 0.5 });
      // 60 u from the left, half way: 30 u, which is 10 px.
      if (item.kind === 'fill') expect(item.matrix[4]).toBeCloseTo(-10, 6);
    }
  });

  test('members of a group come in one after the other', () => {
    const group: Layer = {
      ...newGroupLayer('group', 'Group', ['one', 'two']),
      motion: motionOf(newMoveUse('fade', { unit: 'member', overlap: 0, lengthSeconds: 1 }), 'mirror'),
    };
    const box = (id: string, dxU: number): Layer => testBox(id, { place: place({ dxU, dyU: 300 }) });
    const title = compile(
      testTemplate([group, box('one', 100), box('two', 400)], { timing: TIMING }),
      {},
      SMALL,
      fonts,
    );
    expect([0.2, 0.7, 1].map((seconds) => title.frame(seconds, LENGTH).items.length)).toEqual([1, 2, 2]);
  });

  test('a light passes over the letters and is gone when the hold rests', () => {
    const words = testText('words', 'Glow', {
      look: PLAIN_LOOK,
      motion: motionOf(null, null, { hold: [newHoldUse('shimmer')] }),
    });
    const title = compile(testTemplate([words], { timing: TIMING }), {}, SMALL, fonts);
    expect(title.frame(1.6, LENGTH).items.length).toBe(2);
    expect(title.frame(2.9, LENGTH).items.length).toBe(1);
  });
});

describe('a fold', () => {
  const folded = (fold: Motion['fold'], seconds = 1.5) =>
    picture([moving(motionOf(null, null, { fold, perspectiveU: 1600 }))], seconds);

  test('turns a layer about the edge that stays, and darkens it as it turns', () => {
    const flat = folded({ edge: 'left', degrees: 0, shade: 0.5 });
    expect(flat(880, 450)).toEqual([255, 0, 0, 255]);
    const half = folded({ edge: 'left', degrees: 60, shade: 0.5 });
    // A quarter turn less thirty degrees: about half as wide, and further away; the left edge has not moved.
    expect(half(310, 450)[3]).toBe(255);
    expect(half(290, 450)[3]).toBe(0);
    expect(half(700, 450)[3]).toBe(0);
    expect(half(400, 450)[0]).toBeCloseTo(255 * (1 - 0.5 * Math.sin(Math.PI / 3)), -0.5);
    // Moved, it is seen from where the eye is: as one that was drawn there.
    const key = {
      moment: { from: 'start' as const, offsetSeconds: 0, share: 0 },
      value: 900,
      way: 'straight' as const,
      curve: [0, 0, 1, 1] as const,
    };
    const fold = { edge: 'left', degrees: 60, shade: 0 } as const;
    const away = motionOf(null, null, { fold, tracks: [{ path: 'place.dxU', on: true, keys: [key] }] });
    const drawn = wide('box', {
      motion: motionOf(null, null, { fold }),
      place: place({ dxU: 900, dyU: 300 }),
    });
    const [moved, there] = [picture([moving(away)], 1.5), picture([drawn], 1.5)];
    for (let x = 880; x < 1400; x += 9) expect([x, moved(x, 450)]).toEqual([x, there(x, 450)]);
    const right = folded({ edge: 'right', degrees: 60, shade: 0 });
    expect(right(890, 450)).toEqual([255, 0, 0, 255]);
    expect(right(400, 450)[3]).toBe(0);
  });
});

describe('a colour, a light and fringes', () => {
  const half = (move: string, params: Record<string, number | string>): Motion =>
    motionOf([newMoveUse(move, { lengthSeconds: 1, ease: 'even', params })], null);
  const inner = wide('inner', { motion: motionOf(null, null) });
  const group = (motion: Motion): readonly Layer[] => [
    inner,
    { ...newGroupLayer('group', 'group', ['inner']), motion },
  ];

  test('of a move colour and light the members of a group, and only those', () => {
    const tinted = picture(group(half('colour-pass', { colour: '#0000ff', blurU: 0 })), 0.4);
    expect(tinted(600, 450)[2]).toBeGreaterThan(200);
    expect(tinted(600, 450)[0]).toBeLessThan(60);
    expect(tinted(1000, 450)[3]).toBe(0);
    // A light of 100 u is on its way: bright where it is, the group's own colour where it is not.
    const lit = picture(group(half('glint', { colour: '#ffffff', widthU: 100, angleDegrees: 0 })), 0.6);
    const bright = Array.from({ length: 190 }, (_, k) => lit(315 + k * 3, 450)[1]);
    expect(Math.max(...bright)).toBeGreaterThan(180);
    expect(Math.min(...bright)).toBeLessThan(30);
  });

  test('a light is seen on white too, which darkens around it and is white again after it', () => {
    const white = {
      ...wide('white', { motion: half('glint', { colour: '#ffffff', widthU: 100, angleDegrees: 0 }) }),
      fill: '#ffffff',
    } as Layer;
    const row = (seconds: number): number[] => {
      const seen = picture([white], seconds);
      return Array.from({ length: 190 }, (_, k) => seen(315 + k * 3, 450)[1]);
    };
    const passing = row(0.6);
    expect(Math.max(...passing)).toBeGreaterThan(235);
    expect(Math.min(...passing)).toBeLessThan(170);
    expect(Math.min(...row(1))).toBe(255);
  });

  test('fringes stand out on both sides and are gone at the end', () => {
    const motion = half('fringe', { one: '#00ff00', other: '#0000ff', distanceU: 60 });
    const early = picture([moving(motion)], 0.1);
    expect(early(930, 450).slice(1, 3)).toEqual([255, 0]);
    expect(early(270, 450).slice(1, 3)).toEqual([0, 255]);
    expect(early(600, 450)).toEqual([255, 0, 0, 255]);
    const late = picture([moving(motion)], 1);
    expect([late(930, 450)[3], late(270, 450)[3]]).toEqual([0, 0]);
  });
});

test('a letter in another’s place stands on that one’s line', () => {
  const two = testText('words', 'ooooo\nooooo', {
    motion: motionOf([newMoveUse('settle', { unit: 'letter', lengthSeconds: 1, overlap: 1 })], null),
  });
  const title = compile(testTemplate([two], { timing: TIMING }), {}, SMALL, fonts);
  const lines = title
    .frame(0.5, LENGTH)
    .items.flatMap((item) =>
      item.kind === 'fill'
        ? [Math.round(Math.min(...item.outline.coords.filter((_, i) => i % 2 === 1)))]
        : [],
    );
  // Whichever letters are shown, the first five stand on the one line and the others on the other.
  const [one, other] = [lines[0], lines[9]];
  expect(one).not.toBe(other);
  expect(lines).toEqual([one, one, one, one, one, other, other, other, other, other]);
});

test('letters that have not settled show others of the same words, the same ones each time', () => {
  const words = testText('words', 'Osier', {
    motion: motionOf([newMoveUse('settle', { unit: 'letter', lengthSeconds: 1, overlap: 1 })], null),
  });
  const title = compile(testTemplate([words], { timing: TIMING }), {}, SMALL, fonts);
  const forms = (seconds: number): string[] =>
    title.frame(seconds, LENGTH).items.flatMap((item) => (item.kind === 'fill' ? [item.outline.verbs] : []));
  const own = forms(1.5);
  const early = [0.15, 0.35, 0.55, 0.75].map(forms);
  for (const list of early) {
    expect(list).toHaveLength(5);
    // At rest all letters are one shape.
    for (const form of list) expect(own[0]).toContain(form);
  }
  expect(early.some((list) => list.join('') !== own[0])).toBe(true);
  expect(forms(0.35)).toEqual(early[1]);
  expect(new Set(early.map((list) => list.join())).size).toBeGreaterThan(1);
});

describe('a negative scale', () => {
  const left = testBox('left', {
    fill: '#ff0000',
    width: { kind: 'fixed', u: 300 },
    height: { kind: 'fixed', u: 300 },
    shape: { kind: 'path', data: 'M0 0 L100 0 L100 30 L30 30 L30 100 L0 100 Z' },
    place: place({ dxU: 300, dyU: 300 }),
  });

  test('flips a layer where it is, left to right and top to bottom', () => {
    const at = (scaleX: number, scaleY: number): boolean[] => {
      const seen = picture([{ ...left, place: { ...left.place, scaleX, scaleY } }], 1.5);
      return [
        [330, 330],
        [570, 330],
        [570, 570],
        [330, 570],
      ].map(([x, y]) => seen(x, y)[3] > 128);
    };
    expect(at(1, 1)).toEqual([true, true, false, true]);
    expect(at(-1, 1)).toEqual([true, true, true, false]);
    expect(at(1, -1)).toEqual([true, false, true, true]);
  });
});

describe('numbers that count', () => {
  test.each([
    ['1,250 lanterns', 0.5, '625 lanterns'],
    ['12,500', 0.9, '11,250'],
    ['3.5 m', 0.5, '1.8 m'],
    ['4,2 km', 0.5, '2,1 km'],
    ['no figure', 0.5, 'no figure'],
    ['7 of 9', 1, '7 of 9'],
  ])('%s at %d is %s', (text, share, counted) => {
    expect(countWords(text, share)).toBe(counted);
  });
});

test.each([
  ['41 %', 41],
  ['about 1,250 lanterns', 1250],
  ['1\u202f041,5', 1041.5],
  ['-12', -12],
  ['\u22120.5 m', -0.5],
  ['no figure', null],
  ['7 of 9', 7],
])('the first number in “%s” is %p', (text, figure) => {
  expect(figureIn(text)).toBe(figure);
});

test('a drawn outline goes round as far as it is drawn, each contour by itself', () => {
  const square = rectOutline({ x: 0, y: 0, width: 10, height: 10 });
  expect(trimOutline(square, 0).verbs).toBe('');
  const half = trimOutline(square, 0.5);
  expect(half.coords.slice(-2)).toEqual([10, 10]);
  expect(trimOutline(square, 1).coords.slice(-2)).toEqual([0, 0]);
});
