import { createHash, randomBytes } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { AttackedServer } from './server';

const CHUNK = 4 * 1024 * 1024;
const EBML_HEAD = Buffer.from(
  '1a45dfa3a34286810142f7810142f2810442f381084282847765626d4287810442858102',
  'hex',
);

/** Sends a video of many bytes and fetches it again, in two parts; gives what was not the same. */
export async function attackWithLarge(
  server: AttackedServer,
  root: string,
  bytes: number,
): Promise<string | null> {
  const path = join(root, 'large.webm');
  const sent = await writeLarge(path, bytes);
  const { size } = await stat(path);
  const answer = await fetch(`${server.url}/api/media?name=large.webm`, {
    method: 'POST',
    headers: { 'content-length': String(size) },
    body: createReadStream(path) as unknown as ReadableStream,
    duplex: 'half',
  } as RequestInit);
  const taken: { id: string; received: { bytes: number; sha256: string } } = await answer.json();
  await rm(path);
  if (!answer.ok) return `${bytes} bytes were refused: ${JSON.stringify(taken)}`;
  const hash = createHash('sha256');
  const half = Math.floor(size / 2);
  for (const range of [`bytes=0-${half}`, `bytes=${half + 1}-`]) {
    const part = await fetch(`${server.url}/api/media/${taken.id}`, { headers: { range } });
    for await (const chunk of part.body ?? []) hash.update(chunk);
  }
  const back = hash.digest('hex');
  await fetch(`${server.url}/api/room/video/${taken.id}`, { method: 'DELETE' });
  const same = taken.received.bytes === size && taken.received.sha256 === sent && back === sent;
  return same ? null : `of ${size} bytes ${taken.received.bytes} came in, and other ones came back`;
}

async function writeLarge(path: string, bytes: number): Promise<string> {
  const hash = createHash('sha256');
  const file = createWriteStream(path);
  const write = async (chunk: Buffer): Promise<void> => {
    hash.update(chunk);
    if (!file.write(chunk)) await once(file, 'drain');
  };
  await write(EBML_HEAD);
  for (let left = bytes - EBML_HEAD.length; left > 0; left -= CHUNK)
    await write(randomBytes(Math.min(CHUNK, left)));
  file.end();
  await once(file, 'close');
  return hash.digest('hex');
}
