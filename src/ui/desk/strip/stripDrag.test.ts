import { describe, expect, jest, test } from '@jest/globals';
import { newPlan } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { newTitle } from '@/core/model/project';
import { freeLane } from '@/core/project/lanes';
import type { Work } from '@/core/project/work';
import { createDeskStore, updateTitle } from '../deskStore';
import { dragTitle, dragTitles, gripAt, snapFrames } from './stripDrag';

const title = (id: string, startFrame: number, lengthFrames = 100, lane = 0): Title =>
  newTitle({ id, editionId: 'e', startFrame, lengthFrames, lane });
const work = (...titles: Title[]): Work => ({ titles, clips: [], cues: [], plan: newPlan('wide-1080') });

describe('dragging on the strip', () => {
  const one = title('a', 50, 100);

  test('moves, and stops at the start of time', () => {
    expect(dragTitle(one, 'whole', 10)).toMatchObject({ startFrame: 60, lengthFrames: 100 });
    expect(dragTitle(one, 'whole', -80)).toMatchObject({ startFrame: 0, lengthFrames: 100 });
  });

  test('trims either end while the other stays, never below two frames', () => {
    expect(dragTitle(one, 'start', 20)).toMatchObject({ startFrame: 70, lengthFrames: 80 });
    expect(dragTitle(one, 'start', 500)).toMatchObject({ startFrame: 148, lengthFrames: 2 });
    expect(dragTitle(one, 'end', -20)).toMatchObject({ startFrame: 50, lengthFrames: 80 });
    expect(dragTitle(one, 'end', -500)).toMatchObject({ startFrame: 50, lengthFrames: 2 });
  });

  test('snaps the edge that is nearest to a cut, a title or the playhead', () => {
    expect(snapFrames(one, 'whole', 46, [100, 200], 5)).toEqual({ by: 50, line: 100 });
    expect(snapFrames(one, 'whole', 51, [198], 5)).toEqual({ by: 48, line: 198 });
    expect(snapFrames(one, 'end', 20, [100, 200], 5)).toEqual({ by: 20, line: null });
  });
});

describe('dragging several titles', () => {
  const titles = [title('a', 20, 100, 0), title('b', 200, 100, 2)];

  test('keeps them as far apart as they were, and in their lanes', () => {
    expect(dragTitles(titles, 'whole', -50, 1)).toMatchObject([
      { startFrame: 0, lane: 1 },
      { startFrame: 180, lane: 3 },
    ]);
    expect(dragTitles(titles, 'whole', 10, -3).map(({ lane }) => lane)).toEqual([0, 2]);
  });

  test('trims each by its own end', () => {
    expect(dragTitles(titles, 'end', -20, 5).map(({ lengthFrames }) => lengthFrames)).toEqual([80, 80]);
  });

  test('a short bar keeps half of itself to be moved by', () => {
    expect(gripAt(10.5, { left: 10, right: 22 })).toBe('start');
    expect(gripAt(16, { left: 10, right: 22 })).toBe('whole');
    expect(gripAt(21, { left: 10, right: 22 })).toBe('end');
  });
});

test('a new title goes to the lowest lane that is free at its time', () => {
  const titles = [title('a', 0, 100, 0), title('b', 50, 100, 1)];
  expect(freeLane(titles, { startFrame: 60, lengthFrames: 10 })).toBe(2);
  expect(freeLane(titles, { startFrame: 100, lengthFrames: 10 })).toBe(0);
  expect(freeLane(titles, { startFrame: 60, lengthFrames: 10 }, new Set(['a']))).toBe(0);
});

test('a drag is one step of undo, however long it pauses, and the next change is another', () => {
  jest.useFakeTimers();
  const store = createDeskStore(work(title('a', 0)));
  const move = (startFrame: number): void => {
    store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame }));
    jest.advanceTimersByTime(2000);
  };
  store.grouping.begin();
  for (const startFrame of [5, 10, 15]) move(startFrame);
  store.grouping.end();
  store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame: 20 }));
  const { undo } = store.temporal.getState();
  undo();
  expect(store.getState().titles[0].startFrame).toBe(15);
  undo();
  expect(store.getState().titles[0].startFrame).toBe(0);
  jest.useRealTimers();
});

describe('the store', () => {
  test('keeps titles in order of their start', () => {
    const store = createDeskStore(work(title('a', 0), title('b', 200)));
    store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame: 500 }));
    expect(store.getState().titles.map((one) => one.id)).toEqual(['b', 'a']);
  });

  test('undoes what was done together in one step, and redoes it', () => {
    const store = createDeskStore(work(title('a', 0)));
    store.grouping.begin();
    for (const startFrame of [1, 2, 3])
      store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame }));
    store.grouping.end();
    const { undo, redo } = store.temporal.getState();
    undo();
    expect(store.getState().titles[0].startFrame).toBe(0);
    redo();
    expect(store.getState().titles[0].startFrame).toBe(3);
  });

  test('takes a step back without taking back what another desk did to the same title since', () => {
    const store = createDeskStore(work(title('a', 0), title('b', 50)));
    store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame: 10 }));
    store.rebase((now) => ({
      ...now,
      titles: updateTitle(updateTitle(now.titles, 'a', { values: { name: 'Theirs' } }), 'b', {
        lengthFrames: 77,
      }),
    }));
    store.temporal.getState().undo();
    expect(store.getState().titles[0]).toMatchObject({ startFrame: 0, values: { name: 'Theirs' } });
    expect(store.getState().titles[1].lengthFrames).toBe(77);
  });
});
