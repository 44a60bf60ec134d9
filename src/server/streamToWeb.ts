import type { Readable } from 'node:stream';

/** A file's stream as the body of an answer. */
export function streamToWeb(stream: Readable): ReadableStream<Uint8Array> {
  const reader = stream[Symbol.asyncIterator]();
  return new ReadableStream({
    async pull(controller) {
      const { done, value } = await reader.next();
      if (done === true) controller.close();
      else controller.enqueue(new Uint8Array(value));
    },
    cancel: () => void stream.destroy(),
  });
}
