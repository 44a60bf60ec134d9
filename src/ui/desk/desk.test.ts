import { describe, expect, jest, test } from '@jest/globals';
import type { Title } from '@/core/document/project';
import { createDeskStore, freeLane, updateTitle } from './deskStore';
import { dragTitle, snapFrames } from './stripDrag';

const title = (id: string, startFrame: number, lengthFrames = 100, lane = 0): Title => ({
  id,
  editionId: 'e',
  startFrame,
  lengthFrames,
  lane,
  values: {},
});

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

test('a new title goes to the lowest lane that is free at its time', () => {
  const titles = [title('a', 0, 100, 0), title('b', 50, 100, 1)];
  expect(freeLane(titles, 60, 10)).toBe(2);
  expect(freeLane(titles, 100, 10)).toBe(0);
  expect(freeLane(titles, 60, 10, 'a')).toBe(0);
});

test('a drag is one step of undo, however long it pauses, and the next change is another', () => {
  jest.useFakeTimers();
  const store = createDeskStore([title('a', 0)]);
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
    const store = createDeskStore([title('a', 0), title('b', 200)]);
    store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame: 500 }));
    expect(store.getState().titles.map((one) => one.id)).toEqual(['b', 'a']);
  });

  test('undoes a burst of changes in one step, and redoes it', () => {
    const store = createDeskStore([title('a', 0)]);
    for (const startFrame of [1, 2, 3])
      store.getState().apply((titles) => updateTitle(titles, 'a', { startFrame }));
    const { undo, redo } = store.temporal.getState();
    undo();
    expect(store.getState().titles[0].startFrame).toBe(0);
    redo();
    expect(store.getState().titles[0].startFrame).toBe(3);
  });
});
