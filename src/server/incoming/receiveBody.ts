import { createHash } from 'node:crypto';
import { mkdir, open, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { ReceivedFacts } from '@/contract/assets';
import { bytesToWords } from '@/core/kit/bytes';
import { InputError } from '@/core/kit/inputError';
import { DiskFullError } from '../respond';
import { isDiskFull, refuseWithoutRoom } from './disk';

/** A file that came in whole and lies on disk, until it is discarded or moved to where it belongs. */
export interface ReceivedFile extends ReceivedFacts {
  readonly path: string;
  /** Removes the file, unless it was moved. */
  discard(): Promise<void>;
}

export interface ReceiveOptions {
  /** What comes, for messages. */
  readonly where: string;
  readonly folder: string;
  readonly mostBytes: number;
}

/**
 * Writes the body of a request to disk while it comes, counted and hashed. Throws InputError for one that is empty,
 * longer than allowed, or not as long as it promised, and DiskFullError; nothing is left then.
 */
export async function receiveBody(request: Request, options: ReceiveOptions): Promise<ReceivedFile> {
  const { where, folder, mostBytes } = options;
  const promised = promisedLength(request);
  const most = `at most ${bytesToWords(mostBytes)}`;
  if (promised !== null && promised > mostBytes) throw InputError.of(where, most, bytesToWords(promised));
  await mkdir(folder, { recursive: true });
  await refuseWithoutRoom(folder, promised ?? 0);
  const path = join(folder, `${nanoid(16)}.part`);
  const discard = (): Promise<void> => rm(path, { force: true });
  try {
    const received = await writeBody(path, request.body, where, mostBytes);
    if (received.bytes === 0) throw InputError.of(where, 'a file', 'an empty one');
    if (promised !== null && received.bytes !== promised) {
      const got = `${received.bytes} bytes`;
      throw InputError.of(where, `all of its ${promised} bytes`, got, 'Send it again.');
    }
    return { ...received, path, discard };
  } catch (error) {
    await discard();
    if (isDiskFull(error))
      throw new DiskFullError('The disk filled up while this came in. Nothing of it was kept.');
    throw error;
  }
}

function promisedLength(request: Request): number | null {
  const header = request.headers.get('content-length');
  return header === null ? null : Number(header);
}

async function writeBody(
  path: string,
  body: ReadableStream<Uint8Array> | null,
  where: string,
  mostBytes: number,
): Promise<ReceivedFacts> {
  const hash = createHash('sha256');
  const file = await open(path, 'wx');
  let bytes = 0;
  try {
    for await (const chunk of readBody(body, where)) {
      bytes += chunk.length;
      if (bytes > mostBytes) throw InputError.of(where, `at most ${bytesToWords(mostBytes)}`, 'more');
      hash.update(chunk);
      await file.write(chunk);
    }
    await file.sync();
  } finally {
    await file.close();
  }
  return { bytes, sha256: hash.digest('hex') };
}

/** The pieces of a body. One that breaks off is what was sent, not an error of ours. */
async function* readBody(body: ReadableStream<Uint8Array> | null, where: string): AsyncGenerator<Uint8Array> {
  if (body === null) return;
  try {
    yield* body;
  } catch {
    throw InputError.of(where, 'a whole file', 'one that broke off', 'Send it again.');
  }
}
