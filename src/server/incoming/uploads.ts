import { createHash } from 'node:crypto';
import type { Hash } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import type { IncomingMessage } from 'node:http';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { Transform } from 'node:stream';
import { FileStore } from '@tus/file-store';
import type { Upload } from '@tus/server';
import { Server } from '@tus/server';
import { bytesToWords } from '@/core/kit/bytes';
import { InputError } from '@/core/kit/inputError';
import { hashFile } from '../hashFile';
import { DiskFullError, readFileName, refusalFor } from '../respond';
import { LARGEST_BYTES, takeInAsset } from '../usecases/assets';
import { LARGEST_FONT_BYTES, takeInFontFile } from '../usecases/fonts';
import { LARGEST_VIDEO_BYTES, takeInVideo } from '../usecases/media';
import { LARGEST_PACKAGE, takeInPackage } from '../usecases/packages';
import { isDiskFull, refuseWithoutRoom } from './disk';
import { LARGEST_SOUND_BYTES, takeInSound } from '../usecases/sounds';
import type { ReceivedFile } from './receiveBody';

/** What can be sent in pieces, and what becomes of it once it is whole. */
const KINDS = {
  picture: { mostBytes: LARGEST_BYTES, takeIn: takeInAsset },
  font: { mostBytes: LARGEST_FONT_BYTES, takeIn: takeInFontFile },
  package: { mostBytes: LARGEST_PACKAGE, takeIn: takeInPackage },
  video: { mostBytes: LARGEST_VIDEO_BYTES, takeIn: takeInVideo },
  sound: { mostBytes: LARGEST_SOUND_BYTES, takeIn: takeInSound },
} as const;

const PATH = '/api/uploads';
const FORGOTTEN_AFTER_MS = 24 * 60 * 60 * 1000;

/** Files while they come in, hashed as they are written. */
class HashingStore extends FileStore {
  private readonly hashes = new Map<string, { readonly hash: Hash; bytes: number }>();

  override async write(source: IncomingMessage | Readable, id: string, offset: number): Promise<number> {
    const known = this.hashes.get(id);
    const running = offset === 0 ? { hash: createHash('sha256'), bytes: 0 } : known;
    // One that goes on from elsewhere than where it was hashed to is hashed once it is whole.
    if (running === undefined || running.bytes !== offset) {
      this.hashes.delete(id);
      return super.write(source, id, offset);
    }
    this.hashes.set(id, running);
    const through = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        running.hash.update(chunk);
        running.bytes += chunk.length;
        done(null, chunk);
      },
    });
    source.on('error', (error) => through.destroy(error));
    return super.write(source.pipe(through), id, offset);
  }

  /** Forgets an upload: its file, unless that was moved to where it belongs, and what is noted of it. */
  private async forget(id: string): Promise<void> {
    this.hashes.delete(id);
    await rm(join(this.directory, id), { force: true });
    await this.configstore.delete(id);
  }

  /** The file of a whole upload. */
  async received(id: string, bytes: number): Promise<ReceivedFile> {
    const path = join(this.directory, id);
    const known = this.hashes.get(id);
    const sha256 = known?.bytes === bytes ? known.hash.copy().digest('hex') : await hashFile(path);
    return { path, bytes, sha256, discard: () => this.forget(id) };
  }
}

/** Takes files in piece by piece (the open protocol "tus", 1.0), so that one that broke off goes on where it stopped. */
export function createUploads(folder: string): Server {
  mkdirSync(folder, { recursive: true });
  const store = new HashingStore({
    directory: folder,
    expirationPeriodInMilliseconds: FORGOTTEN_AFTER_MS,
  });
  void store.deleteExpired().catch(() => undefined);
  return new Server({
    path: PATH,
    datastore: store,
    relativeLocation: true,
    respectForwardedHeaders: false,
    allowedOrigins: () => false,
    maxSize: LARGEST_VIDEO_BYTES,
    async onUploadCreate(_request, upload) {
      try {
        const { where, mostBytes } = kindOf(upload);
        if (upload.size === undefined) throw InputError.of(where, 'its size told first', 'none');
        if (upload.size === 0) throw InputError.of(where, 'a file', 'an empty one');
        if (upload.size > mostBytes)
          throw InputError.of(where, `at most ${bytesToWords(mostBytes)}`, bytesToWords(upload.size));
        await refuseWithoutRoom(folder, upload.size);
        return {};
      } catch (error) {
        throw await toTusError(error);
      }
    },
    async onUploadFinish(_request, upload) {
      const file = await store.received(upload.id, upload.offset);
      try {
        const { name, takeIn } = kindOf(upload);
        const { bytes, sha256 } = file;
        const body = JSON.stringify({ received: { bytes, sha256 }, taken: await takeIn(name, file) });
        return { status_code: 200, body, headers: { 'Content-Type': 'application/json' } };
      } catch (error) {
        throw await toTusError(error);
      } finally {
        await file.discard();
      }
    },
    onResponseError: (_request, error) =>
      isDiskFull(error)
        ? toTusError(
            new DiskFullError('The disk filled up while this came in. Send it again once there is room.'),
          )
        : undefined,
  });
}

function kindOf({ metadata }: Upload): {
  name: string;
  where: string;
  mostBytes: number;
  takeIn: (name: string, file: ReceivedFile) => Promise<unknown>;
} {
  const name = readFileName(metadata?.filename ?? null, 'file');
  const kind = metadata?.kind ?? '';
  if (!Object.hasOwn(KINDS, kind)) {
    const kinds = Object.keys(KINDS).join(', ');
    throw InputError.of(`File "${name}"`, `a kind that is one of ${kinds}`, kind);
  }
  return { name, where: `File "${name}"`, ...KINDS[kind as keyof typeof KINDS] };
}

/** A refusal as the protocol's library throws it: our own words, as JSON. */
async function toTusError(error: unknown): Promise<{ status_code: number; body: string }> {
  const answer = refusalFor(error);
  return { status_code: answer.status, body: await answer.text() };
}
