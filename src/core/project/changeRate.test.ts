import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newPlan } from '../model/plan';
import { newClip, newTitle } from '../model/project';
import { newCue } from '../model/captions';
import { RATES } from '../time/rates';
import { changeRate } from './changeRate';
import type { Work } from './work';

const rate = (id: string) => RATES.get(id);
const work = (spans: readonly (readonly [number, number])[]): Work => ({
  cues: spans.map(([startFrame, lengthFrames], i) =>
    newCue({ id: `q${i}`, trackId: 'en', startFrame, lengthFrames, words: 'x' }),
  ),
  titles: spans.map(([startFrame, lengthFrames], i) =>
    newTitle({ id: `t${i}`, editionId: 'e', startFrame, lengthFrames, lane: 0, fadeInFrames: 5 }),
  ),
  clips: spans.map(([startFrame, lengthFrames], i) =>
    newClip({
      id: `c${i}`,
      picture: 'weir',
      startFrame,
      lengthFrames,
      sourceStartFrame: 100,
      sourceLengthFrames: 900,
    }),
  ),
  plan: { ...newPlan('wide-1080'), markers: [{ id: 'm', frame: 50, name: 'Horn' }] },
});

test('twice the rate is twice the frames of everything, and nothing is rounded', () => {
  const { work: at50, rounded, lengthened } = changeRate(work([[25, 100]]), rate('25'), rate('50'));
  expect({ rounded, lengthened }).toEqual({ rounded: 0, lengthened: 0 });
  expect(at50.titles[0]).toMatchObject({ startFrame: 50, lengthFrames: 200, fadeInFrames: 10 });
  expect(at50.clips[0]).toMatchObject({ sourceStartFrame: 200, sourceLengthFrames: 1800 });
  expect(at50.plan.markers[0].frame).toBe(100);
});

test('what falls between two frames goes to the nearer, and is counted', () => {
  const { work: at24, rounded } = changeRate(work([[25, 10]]), rate('25'), rate('24'));
  // 1.4 s is 33.6 frames.
  expect(at24.titles[0]).toMatchObject({ startFrame: 24, lengthFrames: 10 });
  // Those of a title, a clip and a cue.
  expect(rounded).toBe(3);
  expect(at24.cues[0]).toMatchObject({ startFrame: 24, lengthFrames: 10 });
  const short = changeRate(work([[1, 2]]), rate('50'), rate('25'));
  expect(short.work.titles[0].lengthFrames).toBe(2);
  expect(short.lengthened).toBe(1);
});

test('what met still meets, whatever the rates', () => {
  const ids = RATES.list.map(({ id }) => id);
  fc.assert(
    fc.property(
      fc.constantFrom(...ids),
      fc.constantFrom(...ids),
      fc.array(fc.integer({ min: 20, max: 500 }), { minLength: 2, maxLength: 20 }),
      (from, to, lengths) => {
        let at = 0;
        const spans = lengths.map((length): [number, number] => [(at += length) - length, length]);
        const { clips } = changeRate(work(spans), rate(from), rate(to)).work;
        clips.slice(1).forEach((clip, i) => {
          expect(clip.startFrame).toBe(clips[i].startFrame + clips[i].lengthFrames);
        });
      },
    ),
  );
});

test('the project still starts at the same hour, in a mode that the new rate has', () => {
  const start = (setting: NonNullable<Work['plan']['clock']>, from: string, to: string) => {
    const before = work([]);
    return changeRate({ ...before, plan: { ...before.plan, clock: setting } }, rate(from), rate(to)).work.plan
      .clock;
  };
  expect(start({ mode: 'non-drop', startFrame: 90_000 }, '25', '50')).toEqual({
    mode: 'non-drop',
    startFrame: 180_000,
  });
  // An hour with drop frame is 107 892 frames, without it 108 000.
  expect(start({ mode: 'drop', startFrame: 107_892 }, '29.97', '25')).toEqual({
    mode: 'non-drop',
    startFrame: 90_000,
  });
});
