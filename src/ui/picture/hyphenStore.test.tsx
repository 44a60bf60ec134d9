import { afterEach, expect, jest, test } from '@jest/globals';
import { waitFor } from '@testing-library/react';
import { hyphenRules } from './hyphenStore';

const before = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = before;
  jest.useRealTimers();
});

const answering = (value: unknown, ok = true): jest.Mock<typeof fetch> =>
  jest.fn(async () => ({ ok, json: async () => value }) as Response);

test('patterns are asked for once, and who asked is told when they are here', async () => {
  const asked = answering([[1], [2]]);
  globalThis.fetch = asked;
  const came = jest.fn();
  expect(hyphenRules('once', came)).toBeNull();
  expect(hyphenRules('once', came)).toBeNull();
  await waitFor(() => expect(came).toHaveBeenCalledTimes(1));
  expect(hyphenRules('once', came)).toEqual([[1], [2]]);
  expect(asked.mock.calls).toEqual([['/hyphens/once.json']]);
});

test('what did not come, or is no patterns, changes nothing and is asked for again after a while', async () => {
  jest.useFakeTimers();
  const came = jest.fn();
  for (const [name, fetched] of [
    ['gone', answering(null, false)],
    ['odd', answering({ patterns: [] })],
  ] as const) {
    globalThis.fetch = fetched;
    expect(hyphenRules(name, came)).toBeNull();
    await jest.advanceTimersByTimeAsync(100);
    hyphenRules(name, came);
    expect(fetched).toHaveBeenCalledTimes(1);
    await jest.advanceTimersByTimeAsync(5000);
    hyphenRules(name, came);
    expect(fetched).toHaveBeenCalledTimes(2);
  }
  expect(came).not.toHaveBeenCalled();
});
