import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Title } from '../model/project';
import { newTitle } from '../model/project';
import { alignTitles, closeGaps, duplicateTitles, nudgeTitles } from './arrangeTitles';
import { endOf } from './lanes';

const title = (id: string, startFrame: number, lengthFrames = 50, lane = 0): Title =>
  newTitle({ id, editionId: 'e', startFrame, lengthFrames, lane });
const LIST = [title('a', 10), title('b', 100, 80, 1), title('c', 300)];
const ids = (...list: string[]): ReadonlySet<string> => new Set(list);
const spans = (list: readonly Title[]): [string, number, number][] =>
  list.map((one) => [one.id, one.startFrame, endOf(one)]);

describe('several titles', () => {
  test('start together where the first starts, each in a lane of its own', () => {
    const aligned = alignTitles(LIST, ids('a', 'b', 'c'), 'start');
    expect(aligned.map(({ startFrame }) => startFrame)).toEqual([10, 10, 10]);
    expect(new Set(aligned.map(({ lane }) => lane)).size).toBe(3);
  });

  test('leave together: ends are stretched to, starts stay', () => {
    const aligned = alignTitles(LIST, ids('a', 'b'), 'end');
    expect(spans(aligned)).toEqual([
      ['a', 10, 180],
      ['b', 100, 180],
      ['c', 300, 350],
    ]);
    expect(alignTitles(LIST, ids('a'), 'end')).toBe(LIST);
  });

  test('close up lane by lane', () => {
    const list = [title('a', 10), title('b', 100), title('c', 300), title('d', 320, 50, 1)];
    expect(spans(closeGaps(list, ids('a', 'b', 'c', 'd')))).toEqual([
      ['a', 10, 60],
      ['b', 60, 110],
      ['c', 110, 160],
      ['d', 320, 370],
    ]);
  });

  test('are nudged together and stop together at the start of time', () => {
    expect(nudgeTitles(LIST, ids('a', 'c'), -25).map(({ startFrame }) => startFrame)).toEqual([0, 100, 290]);
  });

  test('are copied behind themselves, as far apart as they were, over nothing that is there', () => {
    let made = 0;
    const { titles, copies } = duplicateTitles(LIST, ids('a', 'b'), () => `n${++made}`);
    expect(spans(copies)).toEqual([
      ['n1', 180, 230],
      ['n2', 270, 350],
    ]);
    expect(copies[1].lane).toBe(1);
    expect(titles).toHaveLength(5);
  });

  test('whatever is copied or aligned, no two share a lane and a frame that did not before', () => {
    const list = fc.array(fc.record({ start: fc.nat(400), length: fc.integer({ min: 2, max: 90 }) }), {
      minLength: 2,
      maxLength: 8,
    });
    const clashes = (all: readonly Title[]): number =>
      all.flatMap((a, i) =>
        all
          .slice(i + 1)
          .filter((b) => a.lane === b.lane && a.startFrame < endOf(b) && b.startFrame < endOf(a)),
      ).length;
    fc.assert(
      fc.property(list, fc.constantFrom('start' as const, 'end' as const), (spec, edge) => {
        const apart = spec.map(({ start, length }, i) => title(`t${i}`, start, length, i));
        const all = ids(...apart.map(({ id }) => id));
        expect(clashes(alignTitles(apart, all, edge))).toBe(0);
        let made = 0;
        expect(clashes(duplicateTitles(apart, all, () => `n${++made}`).titles)).toBe(0);
      }),
    );
  });
});
