import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { RefusedError, UnreachableError } from './api';
import { Autosaver } from './autosaver';

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

const settle = (): Promise<void> => jest.advanceTimersByTimeAsync(5000);
const stale = new RefusedError(409, { message: 'changed elsewhere', newer: { revision: 7 } });

function start(save: (value: string) => Promise<void>): { saver: Autosaver<string>; sent: string[] } {
  const sent: string[] = [];
  const saver = new Autosaver('a', (value) => {
    sent.push(value);
    return save(value);
  });
  return { saver, sent };
}

test('saves once after a burst of changes, with the last of them', async () => {
  const { saver, sent } = start(async () => undefined);
  for (const value of ['b', 'c', 'd']) saver.change(value);
  // Nothing says "saved" that is not.
  expect(saver.state).toEqual({ kind: 'saving' });
  await settle();
  expect(sent).toEqual(['d']);
  expect(saver.state).toEqual({ kind: 'saved' });
});

test('what changes while a save is on its way is saved after it, one at a time', async () => {
  let finish = (): void => undefined;
  const { saver, sent } = start(() => new Promise((resolve) => (finish = resolve)));
  saver.change('b');
  await jest.advanceTimersByTimeAsync(400);
  saver.change('c');
  await jest.advanceTimersByTimeAsync(2000);
  expect(sent).toEqual(['b']);
  finish();
  await jest.advanceTimersByTimeAsync(400);
  expect(sent).toEqual(['b', 'c']);
});

test('while the server is away it waits and tries again, and nothing is lost', async () => {
  let away = true;
  const { saver, sent } = start(async () => {
    if (away) throw new UnreachableError('away');
  });
  saver.change('b');
  await jest.advanceTimersByTimeAsync(400);
  expect(saver.state.kind).toBe('waiting');
  saver.change('c');
  away = false;
  await settle();
  expect(saver.state.kind).toBe('saved');
  expect(sent.at(-1)).toBe('c');
});

test('trouble of the server’s own is waited for as well', async () => {
  let trouble = true;
  const { saver } = start(async () => {
    if (trouble) throw new RefusedError(500, { message: 'Something went wrong in Gilder itself.' });
  });
  saver.change('b');
  await jest.advanceTimersByTimeAsync(400);
  expect(saver.state.kind).toBe('waiting');
  trouble = false;
  await settle();
  expect(saver.state.kind).toBe('saved');
});

describe('a stale write', () => {
  test('stops saving until it is decided, and goes on then', async () => {
    let refuse = true;
    const { saver, sent } = start(async () => {
      if (refuse) throw stale;
    });
    saver.change('b');
    await settle();
    expect(saver.state).toMatchObject({ kind: 'stale', newer: { revision: 7 } });
    expect(saver.held).toBe(true);
    saver.change('c');
    await settle();
    expect(sent).toEqual(['b']);
    refuse = false;
    saver.resume();
    await settle();
    expect(sent).toEqual(['b', 'c']);
    expect(saver.state.kind).toBe('saved');
  });
});

test('what the server refuses is saved again once it is changed', async () => {
  const { saver } = start(async (value) => {
    if (value === 'bad') throw new RefusedError(400, { message: 'Size: needs more than 0' });
  });
  saver.change('bad');
  await settle();
  expect(saver.state).toEqual({ kind: 'refused', message: 'Size: needs more than 0' });
  saver.change('good');
  await settle();
  expect(saver.state.kind).toBe('saved');
});

test('flush saves at once, and says why when it cannot', async () => {
  const { saver, sent } = start(async (value) => {
    if (value === 'bad') throw new RefusedError(400, { message: 'no' });
  });
  saver.change('b');
  await saver.flush();
  expect(sent).toEqual(['b']);
  saver.change('bad');
  await expect(saver.flush()).rejects.toThrow('no');
});
