import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { changeAtMoment, reverseKeys, setKey, trackOf, updateTrack } from '../document/editTracks';
import { nudgeLayer, setProperty } from '../document/editTemplate';
import { parseTemplate } from '../document/templateSchema';
import type { FieldValue, Keyframe, Moment, Template, Track } from '../document/template';
import { FORMATS } from '../layout/formats';
import { testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { frameToSeconds, RATES } from '../units/rates';
import { compile } from './compile';
import { momentToSeconds, secondsToMoment, snapMoment } from './moments';
import { designFrames, stretchTiming } from './stretch';
import { mixValues, templateAt, trackValue } from './tracks';

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

  test('keeps its keys while it is off, and turns them round', () => {
    const keys = track(key(at('start'), 1), key(at('inEnd'), 2), key(at('end'), 3));
    const box = testBox('box');
    const template = testTemplate([{ ...box, motion: { ...box.motion, tracks: [keys] } }]);
    const off = updateTrack(template, 'box', 'place.dxU', (one) => ({ ...one, on: false }));
    expect(templateAt(off, 0.5, WHOLE)).toEqual(off);
    expect(off.layers[0].motion.tracks[0].keys).toHaveLength(3);
    expect(reverseKeys(keys).keys.map((one) => one.value)).toEqual([3, 2, 1]);
    expect(reverseKeys(reverseKeys(keys))).toEqual(keys);
  });
});

describe('a change at the playhead', () => {
  const moment = at('inEnd');
  const keyed: Template = testTemplate([setKey(testBox('box'), 'place.dxU', at('start'), 50)]);
  const change = (template: Template, by: (now: Template) => Template): Template =>
    changeAtMoment(template, templateAt(template, 1, WHOLE), moment, by);

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

  test('of something else sets none', () => {
    const next = change(keyed, (now) => ({ ...now, name: 'Other' }));
    expect(next.layers).toEqual(keyed.layers);
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

  test('shows at its very end what the last key says', () => {
    const template = moving([
      { path: 'opacity', on: true, keys: [key(at('outStart'), 100), key(at('end'), 40)] },
    ]);
    const title = compile(template, {}, FORMATS.get('wide-1080'), fonts);
    const last = title.frame(WHOLE.totalSeconds, WHOLE).items;
    expect(last).toEqual([expect.objectContaining({ opacity: 0.4 })]);
  });
});
