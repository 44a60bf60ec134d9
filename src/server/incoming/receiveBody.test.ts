import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { InputError } from '@/core/kit/inputError';
import { DiskFullError } from '../respond';
import { refuseWithoutRoom } from './disk';
import { receiveBody } from './receiveBody';

const folder = mkdtempSync(join(tmpdir(), 'gilder-incoming-'));
afterAll(() => rmSync(folder, { recursive: true }));

const options = { where: 'File "a"', folder, mostBytes: 3_000_000 };
function post(chunks: readonly Uint8Array[], length?: number, fails = false): Request {
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const chunk of chunks) controller.enqueue(chunk);
      if (fails) controller.error(new Error('connection reset'));
      else controller.close();
    },
  });
  const headers: Record<string, string> = length === undefined ? {} : { 'content-length': String(length) };
  return new Request('http://127.0.0.1/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
}
const part = (bytes: number, value: number): Uint8Array => new Uint8Array(bytes).fill(value);

describe('a body that comes in', () => {
  test('lies on disk as it was sent, counted and hashed', async () => {
    const parts = [part(700_000, 1), part(1, 2), part(1_300_000, 3)];
    const whole = Buffer.concat(parts);
    const file = await receiveBody(post(parts, whole.length), options);
    expect(file.bytes).toBe(whole.length);
    expect(file.sha256).toBe(createHash('sha256').update(whole).digest('hex'));
    expect(readFileSync(file.path).equals(whole)).toBe(true);
    await file.discard();
    expect(readdirSync(folder)).toEqual([]);
  });

  test.each([
    [
      'is longer than allowed',
      post([part(2_000_000, 1), part(2_000_000, 2)]),
      /at most 3\.0 MB, found "more"/,
    ],
    ['promises to be longer', post([part(1, 1)], 4_000_000), /at most 3\.0 MB, found "4\.0 MB"/],
    ['ends early', post([part(100, 1)], 200), /all of its 200 bytes, found "100 bytes"/],
    ['is longer than promised', post([part(300, 1)], 200), /all of its 200 bytes, found "300 bytes"/],
    ['breaks off', post([part(100, 1)], undefined, true), /needs a whole file, found "one that broke off"/],
    ['is empty', post([]), /needs a file, found "an empty one"/],
  ])('and %s is refused and leaves nothing', async (_what, request, message) => {
    const receiving = receiveBody(request, options);
    await expect(receiving).rejects.toBeInstanceOf(InputError);
    await expect(receiving).rejects.toThrow(message);
    expect(readdirSync(folder)).toEqual([]);
  });

  test('is refused before it comes where the disk has no room for it', async () => {
    const nearlyFull = (): Promise<number> => Promise.resolve(300_000_000);
    await expect(refuseWithoutRoom(folder, 40_000_000, nearlyFull)).rejects.toThrow(DiskFullError);
    await expect(refuseWithoutRoom(folder, 40_000_000, nearlyFull)).rejects.toThrow(
      /needs 40 MB, and 32 MB may be used/,
    );
    await refuseWithoutRoom(folder, 30_000_000, nearlyFull);
  });
});
