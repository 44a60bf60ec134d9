import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { NotFoundError } from './respond';
import { sendFile } from './sendFile';

const folder = mkdtempSync(join(tmpdir(), 'gilder-send-'));
afterAll(() => rmSync(folder, { recursive: true }));
const path = join(folder, 'a.bin');
writeFileSync(path, Buffer.from('0123456789'));
const sha256 = '84d89877f0d4041efb6bf91a16f0248f2fd573e6af05c19f96bedb9f882f7882';
const send = (headers: Record<string, string> = {}): Promise<Response> =>
  sendFile(new Request('http://127.0.0.1/', { headers }), path, {
    mediaType: 'application/octet-stream',
    sha256,
    gone: 'It is gone.',
  });

describe('a file', () => {
  test('comes with its length, its hash and a validator', async () => {
    const answer = await send();
    expect(answer.status).toBe(200);
    expect(await answer.text()).toBe('0123456789');
    expect(answer.headers.get('content-length')).toBe('10');
    // RFC 9530, 2: the digest in base64 between colons.
    expect(answer.headers.get('repr-digest')).toBe('sha-256=:hNiYd/DUBB77a/kaFvAkjy/Vc+avBcGflr7bn4gveII=:');
    const again = await send({ 'if-none-match': answer.headers.get('etag') ?? '' });
    expect(again.status).toBe(304);
  });

  test.each([
    ['bytes=0-3', '0123', 'bytes 0-3/10'],
    ['bytes=4-', '456789', 'bytes 4-9/10'],
    ['bytes=-2', '89', 'bytes 8-9/10'],
    ['bytes=8-99', '89', 'bytes 8-9/10'],
  ])('is fetched on from where it broke off: %s', async (range, content, told) => {
    const answer = await send({ range });
    expect(answer.status).toBe(206);
    expect(answer.headers.get('content-range')).toBe(told);
    expect(answer.headers.get('content-length')).toBe(String(content.length));
    expect(await answer.text()).toBe(content);
  });

  test('says so when it has no such part, and comes whole for what is no range or another edition', async () => {
    const beyond = await send({ range: 'bytes=10-20' });
    expect([beyond.status, beyond.headers.get('content-range')]).toEqual([416, 'bytes */10']);
    for (const headers of [
      { range: 'bytes=9-2' },
      { range: 'lines=1-2' },
      { range: 'nonsense' },
      { range: 'bytes=0-1', 'if-range': '"another"' },
    ])
      expect([200, 416]).toContain((await send(headers as Record<string, string>)).status);
    expect((await send({ range: 'bytes=0-1', 'if-range': `"${sha256}"` })).status).toBe(206);
  });

  test('that is gone is said to be', async () => {
    const gone = sendFile(new Request('http://127.0.0.1/'), join(folder, 'none'), {
      mediaType: 'text/plain',
      gone: 'It is gone.',
    });
    await expect(gone).rejects.toThrow(NotFoundError);
    await expect(gone).rejects.toThrow('It is gone.');
  });
});
