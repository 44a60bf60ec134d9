import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import type { DisplayItem } from '../display/list';
import { toggleField } from '../edit/editFields';
import { newCopyLayer } from '../model/newLayers';
import { motionOf } from '../model/newMove';
import { setKey, updateTrack } from '../edit/editTracks';
import { trackOf } from '../model/track';
import { nudgeIn } from '../edit/editInFormat';
import { nudgeLayer, setProperty } from '../edit/editTemplate';
import { ATTACHMENT_PATH, readAttachment, writeAttachment } from '../model/attachment';
import { parseTemplate } from '../model/templateSchema';
import type { FieldValue, FieldValues, Keyframe, Layer, Moment, Template, Track } from '../model/template';
import { FORMATS } from '../frame/formats';
import { place, testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { frameToSeconds, RATES } from '../time/rates';
import { compile } from './compile';
import { changeAtMoment } from './changeAtMoment';
import { momentToSeconds, secondsToMoment, snapMoment } from '../titleTime/moments';
import { keySeconds, reverseKeys, shiftKeys, snapKeys, stretchKeys } from '../titleTime/moveKeys';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { springBy } from '../kit/springBy';
import { mixValues, trackValue } from '../titleTime/tracks';
import { templateAt } from '../resolve/settings';

const DESIGN = { inSeconds: 1, holdSeconds: 4, outSeconds: 0.6 };
const RATE = RATES.get('25');
const timingOf = (frames: number) => stretchTiming(DESIGN, frames, RATE);
const WHOLE = timingOf(designFrames(DESIGN, RATE));
const at = (from: Moment['from'], offsetSeconds = 0, share = 0): Moment => ({ from, offsetSeconds, share });
const key = (moment: Moment, value: FieldValue, way: Keyframe['way'] = 'straight'): Keyframe => ({
  moment,
  value,
  way,
  curve: [0.45, 0, 0.3, 1],
});
const track = (...keys: Keyframe[]): Track => ({ path: 'place.dxU', on: true, keys });

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

describe('a moment', () => {
  test('is the time that it was made from, at the design length', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5.6, noNaN: true }), (seconds) => {
        // Times near an end of a column are that end.
        expect(
          Math.abs(momentToSeconds(secondsToMoment(seconds, DESIGN), DESIGN, WHOLE) - seconds),
        ).toBeLessThan(0.0051);
      }),
    );
  });

  test('keeps its sense at any length: ends stay ends, the in its times, the hold its shares', () => {
    for (const frames of [60, 140, 1500]) {
      const timing = timingOf(frames);
      const seconds = (moment: Moment): number => momentToSeconds(moment, DESIGN, timing);
      expect(seconds(at('start', 0.4))).toBeCloseTo(0.4, 6);
      expect(seconds(at('inEnd'))).toBe(timing.inSeconds);
      expect(seconds(at('hold', 0, 0.5))).toBeCloseTo((timing.inSeconds + timing.outStartSeconds) / 2, 6);
      expect(seconds(at('outStart', 0.2))).toBeCloseTo(timing.outStartSeconds + 0.2, 6);
      expect(seconds(at('end'))).toBe(timing.totalSeconds);
    }
  });

  test('moves by no more than half a frame when a rate is changed for another', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5.6, noNaN: true }),
        fc.constantFrom(...RATES.list),
        (seconds, rate) => {
          const before = secondsToMoment(seconds, DESIGN);
          const after = snapMoment(before, DESIGN, rate);
          const times = [before, after].map((moment) => momentToSeconds(moment, DESIGN, WHOLE));
          expect(Math.abs(times[0] - times[1])).toBeLessThanOrEqual(frameToSeconds(1, rate) / 2 + 0.0051);
        },
      ),
    );
  });
});

describe('a track', () => {
  const value = (one: Track, seconds: number): FieldValue | null => trackValue(one, seconds, DESIGN, WHOLE);

  test('goes straight, in a step, by a curve and by a spring from key to key, and stays at its ends', () => {
    const ends = (way: Keyframe['way']): Track => track(key(at('start'), 0, way), key(at('inEnd'), 100, way));
    expect([-1, 0, 0.25, 1, 4].map((seconds) => value(ends('straight'), seconds))).toEqual([
      0, 0, 25, 100, 100,
    ]);
    expect([0.25, 0.99, 1].map((seconds) => value(ends('stepped'), seconds))).toEqual([0, 0, 100]);
    expect(Number(value(ends('smooth'), 0.1))).toBeLessThan(10);
    expect(Number(value(ends('smooth'), 0.5))).toBeGreaterThan(50);
    const sprung = [0.1, 0.2, 0.3, 0.4].map((seconds) => Number(value(ends('spring'), seconds)));
    expect(Math.max(...sprung)).toBeGreaterThan(100);
  });

  test('goes round without a corner: through every key, and as steep on both sides of one', () => {
    const keys = [0, 80, 20, 60].map((v, i) => key(at('start', i * 0.25), v, 'round'));
    const round = track(...keys);
    keys.forEach((one, i) => expect(Number(value(round, i * 0.25))).toBeCloseTo(Number(one.value), 6));
    const slope = (seconds: number): number =>
      (Number(value(round, seconds + 1e-6)) - Number(value(round, seconds))) / 1e-6;
    expect(slope(0.25 - 1e-6)).toBeCloseTo(slope(0.25), 0);
  });

  test('mixes figures, colours and paths, and changes words at the end', () => {
    expect(mixValues(10, 20, 0.5)).toBe(15);
    expect(mixValues('#000000', '#ffffff', 0.5)).toMatch(/^#(6[0-9a-f]){3}$/);
    expect(mixValues('M0 0 L10 4 Z', 'M0 0 L30 8 Z', 0.5)).toBe('M0 0 L20 6 Z');
    expect(mixValues('left', 'right', 0.9)).toBe('left');
    expect(mixValues('M0 0 L1 1', 'M0 0', 0.5)).toBe('M0 0 L1 1');
  });

  test('keeps its keys while it is off', () => {
    const keys = track(key(at('start'), 1), key(at('inEnd'), 2), key(at('end'), 3));
    const box = testBox('box');
    const template = testTemplate([{ ...box, motion: { ...box.motion, tracks: [keys] } }]);
    const off = updateTrack(template, 'box', 'place.dxU', (one) => ({ ...one, on: false }));
    expect(templateAt(off, 0.5, WHOLE)).toEqual(off);
    expect(off.layers[0].motion.tracks[0].keys).toHaveLength(3);
  });
});

describe('a change at the playhead', () => {
  const moment = at('inEnd');
  const keyed: Template = testTemplate([setKey(testBox('box'), 'place.dxU', at('start'), 50)]);
  const change = (template: Template, by: (now: Template) => Template): Template =>
    changeAtMoment(template, { seconds: 1, timing: WHOLE }, by);

  test('sets a key of what follows keyframes, and leaves the design as it was', () => {
    const next = change(keyed, (now) => nudgeLayer(now, 'box', 20, 7));
    const [box] = next.layers;
    expect(trackOf(box, 'place.dxU')?.keys.map((one) => [one.moment, one.value])).toEqual([
      [at('start'), 50],
      [moment, 70],
    ]);
    // Down does not follow keyframes, so the design itself has changed.
    expect(box.place).toMatchObject({ dxU: 0, dyU: 7 });
    expect(parseTemplate(next)).toEqual(next);
    const again = change(next, (now) => setProperty(now, 'box', 'place.dxU', 90));
    expect(trackOf(again.layers[0], 'place.dxU')?.keys.map((one) => one.value)).toEqual([50, 90]);
  });

  test('changes a key that is there without moving it or its row', () => {
    const two = setKey(setKey(testBox('box'), 'opacity', at('start'), 10), 'place.dxU', at('start'), 50);
    const again = setKey(setKey(two, 'opacity', at('inEnd'), 90), 'opacity', at('start'), 30);
    expect(again.motion.tracks.map(({ path }) => path)).toEqual(['opacity', 'place.dxU']);
    expect(trackOf(again, 'opacity')?.keys.map((one) => one.value)).toEqual([30, 90]);
  });

  test('of the keys themselves sets no other, and switching off or taking away shows the design again', () => {
    const later = updateTrack(keyed, 'box', 'place.dxU', (one) => ({
      ...one,
      keys: one.keys.map((k) => ({ ...k, value: 75 })),
    }));
    const edited = change(keyed, (now) =>
      updateTrack(now, 'box', 'place.dxU', (one) => ({
        ...one,
        keys: one.keys.map((k) => ({ ...k, value: 75 })),
      })),
    );
    expect(edited).toEqual(later);
    const off = change(keyed, (now) =>
      updateTrack(now, 'box', 'place.dxU', (one) => ({ ...one, on: false })),
    );
    expect(off.layers[0].place.dxU).toBe(0);
    expect(trackOf(off.layers[0], 'place.dxU')?.keys).toHaveLength(1);
    const gone = change(keyed, (now) => updateTrack(now, 'box', 'place.dxU', () => null));
    expect(gone.layers[0]).toEqual(testBox('box'));
  });

  test('that is made again from where it began, as a drag does, sets the key that its last step asks for', () => {
    const step = (by: number): Template => change(keyed, (now) => nudgeLayer(now, 'box', by, 0));
    const values = (template: Template) =>
      trackOf(template.layers[0], 'place.dxU')?.keys.map((one) => one.value);
    expect(values(step(30))).toEqual([50, 80]);
    expect(values(step(30))).toEqual([50, 80]);
    expect(values(step(0))).toEqual([50]);
  });

  test('at another length than the design’s is tied to what the playhead stands for', () => {
    const long = stretchTiming(DESIGN, 1500, RATE);
    const middle = (long.inSeconds + long.outStartSeconds) / 2;
    const next = changeAtMoment(keyed, { seconds: middle, timing: long }, (now) =>
      nudgeLayer(now, 'box', 5, 0),
    );
    const [, second] = trackOf(next.layers[0], 'place.dxU')?.keys ?? [];
    expect(second.moment.from).toBe('hold');
    expect(second.moment.share).toBeCloseTo(0.5, 6);
  });

  test('of a layer with its own time is tied to that', () => {
    const [box] = keyed.layers;
    const retime = { kind: 'speed', speed: 0.5, fromSeconds: 0, spanSeconds: 1 } as const;
    const slow = { ...keyed, layers: [{ ...box, motion: { ...box.motion, retime } }] };
    const next = changeAtMoment(slow, { seconds: 1.2, timing: WHOLE }, (now) => nudgeLayer(now, 'box', 5, 0));
    const [, second] = trackOf(next.layers[0], 'place.dxU')?.keys ?? [];
    expect(second.moment).toEqual(at('start', 0.6));
    expect(templateAt(next, 1.2, WHOLE).layers[0].place.dxU).toBeCloseTo(55, 6);
  });

  test('of something else sets none', () => {
    const next = change(keyed, (now) => ({ ...now, name: 'Other' }));
    expect(next.layers).toEqual(keyed.layers);
  });
});

describe('the keys of a track', () => {
  // Set in another order than they come.
  const keys = track(
    key(at('end'), 3),
    { ...key(at('start', 0.2), 1, 'smooth'), curve: [0.1, 0.2, 0.3, 0.9] },
    key(at('inEnd'), 2, 'stepped'),
  );
  const times = (one: Track): number[] =>
    one.keys.map((k) => keySeconds(k, DESIGN)).toSorted((a, b) => a - b);

  test('turned round run the same way backwards, and turned round again are as they were', () => {
    const back = reverseKeys(keys, DESIGN);
    expect(back.keys.map((k) => k.value)).toEqual([3, 2, 1]);
    times(back).forEach((time, i) => expect(time).toBeCloseTo([0.2, 4.8, 5.6][i], 6));
    const there = (seconds: number): number => Number(trackValue(keys, seconds, DESIGN, WHOLE));
    const again = reverseKeys(reverseKeys(keys, DESIGN), DESIGN);
    for (const seconds of [0.3, 0.6, 0.9]) {
      expect(Number(trackValue(again, seconds, DESIGN, WHOLE))).toBeCloseTo(there(seconds), 6);
      // The curve from the first key to the second, seen from its other end.
      const mirrored = Number(trackValue(back, 0.2 + 5.6 - seconds, DESIGN, WHOLE));
      expect(mirrored).toBeCloseTo(there(seconds), 6);
    }
  });

  test('are stretched from the first and shifted to a time, as far as the title goes', () => {
    expect(
      times(stretchKeys(track(key(at('start', 0.2), 1), key(at('start', 0.6), 2)), DESIGN, 0.5)),
    ).toEqual([0.2, 0.4]);
    times(shiftKeys(keys, DESIGN, 0)).forEach((time, i) => expect(time).toBeCloseTo([0, 0.8, 5.4][i], 6));
    expect(times(stretchKeys(keys, DESIGN, 9)).at(-1)).toBeCloseTo(5.6, 6);
  });

  test('can be put on frames', () => {
    const snapped = snapKeys(track(key(at('start', 0.213), 1)), DESIGN, RATE);
    expect(times(snapped)).toEqual([0.2]);
  });
});

test('a layer’s own time can follow a curve', () => {
  const box = testBox('box');
  const retime = { kind: 'still', speed: 1, fromSeconds: 0, spanSeconds: 1 } as const;
  const clock: Track = {
    path: 'motion.retime.fromSeconds',
    on: true,
    keys: [key(at('start'), 1), key(at('inEnd'), 0)],
  };
  const tracks = [track(key(at('start'), 0), key(at('inEnd'), 100)), clock];
  const template = testTemplate([{ ...box, motion: { ...box.motion, retime, tracks } }], { timing: DESIGN });
  // The curve runs the layer's time backwards from 1 s to 0 s, so it goes from where it would be to where it was.
  const across = (seconds: number): number => templateAt(template, seconds, WHOLE).layers[0].place.dxU;
  expect([0, 0.25, 1].map(across)).toEqual([100, 75, 0]);
});

describe('a title with keyframes', () => {
  const box = testBox('box');
  const moving = (tracks: readonly Track[]): Template =>
    testTemplate([{ ...box, motion: { ...box.motion, tracks } }], { timing: DESIGN });

  test('is laid out where the keys have it, and is one picture while they stand still', () => {
    const template = moving([track(key(at('start'), 0), key(at('inEnd'), 400))]);
    const title = compile(template, {}, FORMATS.get('wide-1080'), fonts);
    expect(title.boxesAt(0.5, WHOLE).get('box')?.x).toBeCloseTo(200, 6);
    expect(title.boxesAt(3, WHOLE).get('box')?.x).toBe(400);
    expect(title.frame(2, WHOLE)).toEqual(title.frame(3, WHOLE));
    expect(title.frame(0.5, WHOLE)).not.toEqual(title.frame(0.6, WHOLE));
  });

  test('smears what its keys move while the shutter is open', () => {
    const moved = moving([track(key(at('start'), 0), key(at('inEnd'), 1500))]);
    const [layer] = moved.layers;
    const open = { ...moved, layers: [{ ...layer, motion: { ...layer.motion, shutterDegrees: 180 } }] };
    const title = compile(open, {}, FORMATS.get('wide-1080'), fonts);
    expect(title.frame(0.5, WHOLE).items).toEqual([expect.objectContaining({ kind: 'average' })]);
    expect(title.frame(3, WHOLE).items).toEqual([expect.objectContaining({ kind: 'fill' })]);
  });

  test('keeps what an editor typed, whatever the keys say', () => {
    const template = toggleField(
      moving([{ path: 'fill', on: true, keys: [key(at('start'), '#ff0000')] }]),
      'box',
      'fill',
    );
    const [{ id }] = template.fields;
    const fill = (values: FieldValues) =>
      compile(template, values, FORMATS.get('wide-1080'), fonts).frame(3, WHOLE).items[0];
    expect(fill({})).toMatchObject({ paint: { colour: '#ff0000' } });
    expect(fill({ [id]: '#00ff00' })).toMatchObject({ paint: { colour: '#00ff00' } });
  });

  test('has a delayed copy that hangs on it trail behind', () => {
    const copy: Layer = {
      ...newCopyLayer('copy', 'Copy', 'box'),
      delaySeconds: 0.5,
      place: place({ target: { kind: 'layer', layerId: 'box' }, dyU: 100 }),
    };
    const one = moving([track(key(at('start'), 0), key(at('inEnd'), 400))]);
    const title = compile({ ...one, layers: [...one.layers, copy] }, {}, FORMATS.get('wide-1080'), fonts);
    const [ghost, original] = title.frame(0.75, WHOLE).items.map(left);
    expect(original).toBeCloseTo(300, 0);
    expect(ghost).toBeCloseTo(100, 0);
  });

  test('shows at its very end what the last key says', () => {
    const template = moving([
      { path: 'opacity', on: true, keys: [key(at('outStart'), 100), key(at('end'), 40)] },
    ]);
    const title = compile(template, {}, FORMATS.get('wide-1080'), fonts);
    const last = title.frame(WHOLE.totalSeconds, WHOLE).items;
    expect(last).toEqual([expect.objectContaining({ opacity: 0.4 })]);
  });
});

/** Where a filled shape begins, in px from the left. */
function left(item: DisplayItem): number {
  if (item.kind !== 'fill') throw new Error(`a ${item.kind}`);
  return Math.min(...item.outline.coords.filter((_value, i) => i % 2 === 0)) + item.matrix[4];
}

describe('figures that have one key for all', () => {
  const pins = ['0 0 0 0 0 0 0 0', '10 20 30 40 50 60 70 80', '40 50 60 70 80 90 100 110'];
  const pinned = (way: Keyframe['way']): Track => ({
    path: 'place.pin',
    on: true,
    keys: pins.map((value, i) => key(at('start', [0, 1, 3][i]), value, way)),
  });
  const figuresAt = (one: Track, seconds: number): number[] =>
    String(trackValue(one, seconds, { ...DESIGN, inSeconds: 4 }, WHOLE))
      .split(' ')
      .map(Number);

  test('go each its own way, straight or round as a single figure would', () => {
    for (const way of ['straight', 'round'] as const) {
      for (const seconds of [0, 0.3, 1, 1.7, 2.4, 3]) {
        const all = figuresAt(pinned(way), seconds);
        pins[0].split(' ').forEach((_, i) => {
          const single: Track = {
            path: 'place.dxU',
            on: true,
            keys: pinned(way).keys.map((one) => ({ ...one, value: Number(String(one.value).split(' ')[i]) })),
          };
          const own = trackValue(single, seconds, { ...DESIGN, inSeconds: 4 }, WHOLE);
          expect(all[i]).toBeCloseTo(Number(own), 3);
        });
      }
    }
  });

  test('pull the corners of a layer, which is pinned by them', () => {
    const panel = testBox('panel', {
      place: place({ pin: [0, 0, 0, 0, 0, 0, 0, 0] }),
      motion: motionOf(null, null, { tracks: [pinned('straight')] }),
    });
    const template = testTemplate([panel], { timing: { ...DESIGN, inSeconds: 4 } });
    const title = compile(template, {}, FORMATS.get('wide-1080'), fonts);
    const corners = title.cornersAt(1, stretchTiming(template.timing, 200, RATE)).get('panel') ?? [];
    expect(corners.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
      [10, 20],
      [130, 40],
      [150, 110],
      [70, 130],
    ]);
  });

  test('a key that is set goes on to the next as the one before it does', () => {
    const box = testBox('box', { place: place({ pin: [0, 0, 0, 0, 0, 0, 0, 0] }) });
    const first = setKey(box, 'place.pin', at('start'), pins[0], 'round');
    const second = setKey(first, 'place.pin', at('inEnd'), pins[1]);
    expect(trackOf(second, 'place.pin')?.keys.map(({ way }) => way)).toEqual(['round', 'round']);
  });

  test('documents that name one figure of a pin still move that one', () => {
    const box = testBox('box', {
      place: place({ pin: [0, 0, 0, 0, 0, 0, 0, 0] }),
      motion: motionOf(null, null, {
        tracks: [{ path: 'place.pin.2', on: true, keys: [key(at('start'), 25)] }],
      }),
    });
    const [{ place: shown }] = templateAt(testTemplate([box]), 1, WHOLE).layers;
    expect(shown.pin).toEqual([0, 0, 25, 0, 0, 0, 0, 0]);
  });
});

describe('a spring by its overshoot and time', () => {
  test('goes exactly as far past its end as it says, when it says, and ends where it is to end', () => {
    for (const overshoot of [0.05, 0.2, 0.5]) {
      for (const reach of [0.1, 0.25]) {
        const at = springBy({ overshoot, reach });
        const all = Array.from({ length: 1001 }, (_, i) => at(i / 1000));
        expect(all[0]).toBeCloseTo(0, 9);
        expect(all[1000]).toBeCloseTo(1, 9);
        const most = Math.max(...all);
        // What the swing has left at the end is spread over the way; at these times that is little.
        expect(Math.abs(most - 1 - overshoot)).toBeLessThan(0.05);
        expect(Math.abs(all.indexOf(most) / 1000 - reach)).toBeLessThan(0.02);
      }
    }
  });

  test('without overshoot never goes past its end', () => {
    const at = springBy({ overshoot: 0, reach: 0.6 });
    for (let i = 0; i <= 100; i++) expect(at(i / 100)).toBeLessThanOrEqual(1 + 1e-9);
    expect(at(0.6)).toBeGreaterThan(0.98);
  });

  test('is what a key with it follows', () => {
    const spring = { overshoot: 0.3, reach: 0.2 };
    const sprung = track({ ...key(at('start'), 0, 'spring'), spring }, key(at('start', 1), 100));
    const value = trackValue(sprung, 0.2, DESIGN, WHOLE);
    expect(value).toBeCloseTo(100 * springBy(spring)(0.2), 6);
  });
});

test('what a layer is attached by has one key for all: a drag at the playhead sets one, in every format', () => {
  const track = {
    path: ATTACHMENT_PATH,
    on: true,
    keys: [key(at('inEnd'), writeAttachment(place({ target: { kind: 'frame' }, dxU: 100 })))],
  };
  const template = testTemplate([testBox('box', { motion: motionOf(null, null, { tracks: [track] }) })], {
    timing: DESIGN,
  });
  const format = FORMATS.get('wide-1080');
  const scope = { kind: 'format' as const, id: format.id };
  const dragged = changeAtMoment(template, { seconds: 3, timing: WHOLE }, (now) =>
    nudgeIn(now, { format, scope }, 'box', 40, 0),
  );
  expect(dragged.overrides).toEqual([]);
  const keys = dragged.layers[0].motion.tracks[0].keys;
  expect(keys.map(({ value }) => readAttachment(value)?.dxU)).toEqual([100, 140]);
  expect(dragged.layers[0].place.dxU).toBe(template.layers[0].place.dxU);
});
