import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { setKey } from '../edit/editTracks';
import { newGroupLayer } from '../model/newLayers';
import { motionOf, newHoldUse, newMoveUse } from '../model/newMove';
import type { Layer, Moment, Template } from '../model/template';
import { fadeAt } from '../project/deliver';
import { testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { readableFor, readingOf } from './readingOf';
import { lengthToRead } from './readableTime';
import { readingSeconds } from '../text/readingTime';
import { FIRST_READING } from '../model/rules';

const rate = RATES.get('25');
const TIMING = { inSeconds: 1, holdSeconds: 6, outSeconds: 1 };
const EIGHT_SECONDS = 200;

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const at = (from: Moment['from'], share = 0): Moment => ({ from, offsetSeconds: 0, share });
const titled = (...layers: Layer[]): Template => testTemplate(layers, { timing: TIMING });
const readable = (template: Template, frames = EIGHT_SECONDS): number =>
  readableFor(template, {}, rate, fonts)(frames);

/** A text whose property goes straight from key to key. */
function keyed(path: string, ...keys: readonly (readonly [Moment, number])[]): Layer {
  const text = keys.reduce<Layer>(
    (layer, [moment, value]) => setKey(layer, path, moment, value),
    testText('name', 'Ilse Marrow'),
  );
  const tracks = text.motion.tracks.map((track) => ({
    ...track,
    keys: track.keys.map((key) => ({ ...key, way: 'straight' as const })),
  }));
  return { ...text, motion: { ...text.motion, tracks } };
}

describe('time to read', () => {
  test('is never under two seconds, and nothing for a text without letters', () => {
    expect(readingSeconds('Ode Pell')).toBe(2);
    expect(readingSeconds(' — ')).toBe(0);
  });

  test('goes by words or by characters, whichever takes longer', () => {
    // 9 words of 2 letters: 9 / 2.7 + 0.7.
    expect(readingSeconds('to be or it is an ox at me')).toBeCloseTo(9 / 2.7 + 0.7, 6);
    // Two words, 57 characters.
    const long = `${'a'.repeat(28)} ${'b'.repeat(28)}`;
    expect(readingSeconds(long)).toBeCloseTo(57 / 15 + 0.7, 6);
  });

  test('scripts without spaces go by eight characters a second', () => {
    expect(readingSeconds('河川敷で待っています今日は')).toBeCloseTo(13 / 8 + 0.7, 6);
  });
});

describe('readable time is measured on the frames of a title', () => {
  test('a text that stands still is readable all the time', () => {
    expect(readable(titled(testText('name', 'Ilse')))).toBeCloseTo(8, 6);
  });

  test('opacity that goes from nothing to full and back leaves what is nine tenths opaque', () => {
    const template = titled(keyed('opacity', [at('start'), 0], [at('hold', 0.5), 100], [at('end'), 0]));
    // Of 4 s up and 4 s down a tenth each, and the frame in the middle.
    expect(readable(template)).toBeCloseTo(0.8 + 0.04, 6);
  });

  test('what moves faster than 54 u a second is not read, what moves slower is', () => {
    const across = (uPerSecond: number): number =>
      readable(titled(keyed('place.dxU', [at('start'), 0], [at('end'), uPerSecond * 8])));
    expect(across(50)).toBeCloseTo(8, 6);
    expect(across(58)).toBe(0);
  });

  test('blur, a turn, a group and a moving hold all count', () => {
    expect(readable(titled(keyed('look.blurAcrossU', [at('start'), 20], [at('end'), 20])))).toBe(0);
    expect(readable(titled(keyed('place.rotateDegrees', [at('start'), 0], [at('end'), 3600])))).toBe(0);
    const group = { ...newGroupLayer('g', 'G', ['name']), opacity: 0.5 };
    expect(readable(titled(group, testText('name', 'Ilse')))).toBe(0);
    const sways = testText('name', 'Ilse', {
      motion: motionOf(null, null, { hold: [newHoldUse('tremble', { params: { rise: 60 } })] }),
    });
    expect(readable(titled(sways))).toBeLessThan(8);
  });

  test('a move in counts until it is nine tenths there, wherever it is in a group', () => {
    const fades = motionOf(newMoveUse('fade', { lengthSeconds: 1, ease: 'even' }), null);
    const alone = readable(titled(testText('name', 'Ilse', { motion: fades })));
    // 0.9 of the second is over at frame 23 of 25.
    expect(alone).toBeCloseTo(8 - 23 / 25, 6);
    const group = { ...newGroupLayer('g', 'G', ['name']), motion: fades };
    expect(readable(titled(group, testText('name', 'Ilse')))).toBeCloseTo(alone, 6);
  });

  test('the title’s own fades count', () => {
    const faded = {
      lengthFrames: EIGHT_SECONDS,
      fadeInFrames: 50,
      fadeOutFrames: 0,
      shift: null,
      scrim: null,
    };
    const found = readableFor(titled(testText('name', 'Ilse')), {}, rate, fonts, (frame) =>
      fadeAt(faded, frame),
    );
    expect(found(EIGHT_SECONDS)).toBeCloseTo(8 - 45 / 25, 6);
  });

  test('words that are never seen do not count, words that never come keep all from being read', () => {
    const hidden = testText('other', 'Noor', { opacity: 0 });
    expect(readable(titled(hidden, testText('name', 'Ilse')))).toBeCloseTo(8, 6);
    expect(readable(titled(hidden))).toBe(0);
    const brief = keyed('opacity', [at('start'), 0], [at('hold', 0.5), 80], [at('end'), 0]);
    expect(readable(titled({ ...brief, id: 'brief' }, testText('name', 'Ilse')))).toBe(0);
  });

  test('a hold in which nothing moves is looked at once, however long it is', () => {
    const template = titled(testText('name', 'Ilse', { motion: motionOf(newMoveUse('fade'), 'mirror') }));
    const long = readable(template, 25 * 3600);
    expect(long).toBeGreaterThan(3590);
  });
});

describe('a house that reads at its own pace', () => {
  test('counts with its speeds, its moment to notice and its least', () => {
    const slow = { ...FIRST_READING, wordsPerSecond: 1, noticeSeconds: 1, leastSeconds: 3 };
    expect(readingSeconds('to be or it is', slow)).toBeCloseTo(5 + 1, 6);
    expect(readingSeconds('Ode Pell', slow)).toBe(3);
    const asked = { values: { name: 'Ode' }, lengthFrames: 150, rate, rules: slow };
    expect(readingOf(tidelineStrap, asked, fonts)).toMatchObject({
      reads: readingSeconds('Ode Lockkeeper, Osier Reach', slow),
      readable: readableFor(tidelineStrap, { name: 'Ode' }, rate, fonts)(150),
    });
  });
});

describe('the length that reading needs', () => {
  test('is enough, and hardly more than that, from any length up', () => {
    const readableAt = readableFor(tidelineStrap, {}, rate, fonts);
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 300 }), fc.integer({ min: 1, max: 12 }), (from, seconds) => {
        const length = lengthToRead(readableAt, from, seconds, rate);
        expect(length).toBeGreaterThanOrEqual(from);
        expect(readableAt(length)).toBeGreaterThanOrEqual(seconds - 1e-6);
        if (length > from) expect(readableAt(length - 3)).toBeLessThan(seconds);
      }),
      { numRuns: 40 },
    );
  });
});
