import { create } from 'zustand';
import type { ReceivedFacts } from '@/contract/assets';
import type { Refusal } from '@/contract/refusal';

/** A file on its way to the server. */
interface Upload {
  readonly id: number;
  readonly name: string;
  readonly sentBytes: number;
  readonly totalBytes: number;
  /** Whether the connection broke and it waits to go on. */
  readonly waits: boolean;
  /** null for what cannot be called off. */
  readonly cancel: (() => void) | null;
}

interface Uploads {
  readonly list: readonly Upload[];
}

/** What is being sent, for everyone who shows it. */
export const useUploads = create<Uploads>(() => ({ list: [] }));

/** Nobody waits for a file any more: it was cancelled. */
export class CancelledError extends Error {
  override readonly name = 'CancelledError';
}

let sent = 0;
const RETRY_AFTER_MS = [0, 1000, 3000, 5000, 10_000, 20_000, 30_000];

const change = (id: number, next: Partial<Upload>): void =>
  useUploads.setState(({ list }) => ({
    list: list.map((one) => (one.id === id ? { ...one, ...next } : one)),
  }));

/**
 * Sends a file in pieces that can be gone on with after a broken connection, and gives what it became. Rejects with words
 * for people when it is refused, and with CancelledError.
 */
export async function sendFile<T>(
  kind: 'picture' | 'font' | 'package' | 'video' | 'sound',
  file: File,
): Promise<T> {
  const { Upload: Sending } = await import('tus-js-client');
  const id = (sent += 1);
  return new Promise<T>((resolve, reject) => {
    const end = (done: () => void): void => {
      useUploads.setState(({ list }) => ({ list: list.filter((one) => one.id !== id) }));
      done();
    };
    const sending = new Sending(file, {
      endpoint: '/api/uploads',
      metadata: { kind, filename: file.name },
      retryDelays: RETRY_AFTER_MS,
      removeFingerprintOnSuccess: true,
      onShouldRetry(error) {
        const status = error.originalResponse?.getStatus() ?? 0;
        // A refusal stays one; a lock or a server that is away does not.
        const again = status === 0 || status === 423 || (status >= 500 && status !== 507);
        if (again) change(id, { waits: true });
        return again;
      },
      onProgress: (sentBytes, totalBytes) => change(id, { sentBytes, totalBytes, waits: false }),
      onError: (error) =>
        end(() =>
          reject(
            new Error(
              wordsOfRefusal(
                'originalResponse' in error ? error.originalResponse?.getBody() : undefined,
                file.name,
              ),
            ),
          ),
        ),
      onSuccess({ lastResponse }) {
        const answer: { received: ReceivedFacts; taken: T } = JSON.parse(lastResponse.getBody());
        const { received, taken } = answer;
        if (received.bytes === file.size) end(() => resolve(taken));
        else
          end(() =>
            reject(new Error(`Only ${received.bytes} of ${file.size} bytes of “${file.name}” came in.`)),
          );
      },
    });
    const cancel = (): void => {
      void sending.abort(true).catch(() => undefined);
      end(() => reject(new CancelledError(`“${file.name}” was cancelled.`)));
    };
    const fresh = { id, name: file.name, sentBytes: 0, totalBytes: file.size, waits: false, cancel };
    useUploads.setState(({ list }) => ({ list: [...list, fresh] }));
    // One that broke off earlier, even in another window, goes on where it stopped.
    void sending.findPreviousUploads().then(([earlier]) => {
      if (earlier !== undefined) sending.resumeFromPreviousUpload(earlier);
      sending.start();
    });
  });
}

/** Work on the server that somebody waits for, shown where uploads are. */
export function showProgress(name: string): { tell(share: number): void; end(): void } {
  const id = (sent += 1);
  const total = 100;
  const fresh = { id, name, sentBytes: 0, totalBytes: total, waits: false, cancel: null };
  useUploads.setState(({ list }) => ({ list: [...list, fresh] }));
  return {
    tell: (share) => change(id, { sentBytes: Math.round(share * total) }),
    end: () => useUploads.setState(({ list }) => ({ list: list.filter((one) => one.id !== id) })),
  };
}

function wordsOfRefusal(body: string | undefined, name: string): string {
  try {
    const refusal: Refusal = JSON.parse(body ?? '');
    if (typeof refusal.message === 'string') return refusal.message;
  } catch {
    // No words of ours: the server is away.
  }
  return `“${name}” could not be sent: Gilder cannot be reached.`;
}
