import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { FolderInUseError, lockFolder } from './folderLock';

const all = mkdtempSync(join(tmpdir(), 'gilder-lock-'));
afterAll(() => rmSync(all, { recursive: true }));

let folders = 0;
const folder = (): string => {
  const at = join(all, String((folders += 1)));
  mkdirSync(at);
  return at;
};

test('is held until it is given back', () => {
  const at = folder();
  const unlock = lockFolder(at);
  expect(() => lockFolder(at)).toThrow(FolderInUseError);
  unlock();
  expect(existsSync(join(at, 'gilder.lock'))).toBe(false);
  lockFolder(at)();
});

test.each([
  ['a process that is gone', JSON.stringify({ pid: 2 ** 22 + 1, started: '123' })],
  ['another process that got the same number', JSON.stringify({ pid: process.pid, started: '1' })],
  ['nothing readable', 'half a li'],
])('a lock of %s is taken over', (_who, content) => {
  const at = folder();
  writeFileSync(join(at, 'gilder.lock'), content);
  const unlock = lockFolder(at);
  expect(() => lockFolder(at)).toThrow(FolderInUseError);
  unlock();
});
