import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { FORMATS } from '@/core/frame/formats';
import type { FrameRingMemory } from './frameRing';
import { createFrameRing, FrameRing } from './frameRing';
import type { Pixels } from './pictures/picture';
import type { RenderedFrame, RenderTask, WorkerMessage } from './renderTask';

const SLOTS = 3;
// Deflate can grow incompressible data by 0.03 %, and pictures have heads; this is ample for any format.
const SPARE_BYTES = 256 * 1024;

function bytesAPixel({ shades, frames }: Pick<RenderTask, 'shades' | 'frames'>): number {
  // Runs of one pixel each take a byte more than the pixels.
  return shades === 'deep' ? 8 : frames === 'tga' ? 5 : 4;
}

export interface FrameReceiver {
  /** Called in order; the bytes are only valid until the promise settles. */
  frame(bytes: Buffer, frame: RenderedFrame): Promise<void>;
  /** Called in order too, in place of `frame` for a picture that was known. */
  known?(key: string, repeats: number): Promise<void>;
  reference(frame: number, pixels: Pixels, png: Uint8Array | null): void;
}

/** Render threads that titles are handed to as they come free. */
export class RenderPool {
  private readonly idle: Worker[] = [];
  private readonly waiting: ((worker: Worker) => void)[] = [];
  private started = 0;

  constructor(
    readonly size = Math.max(1, Math.min(4, availableParallelism())),
    private readonly root = process.cwd(),
  ) {}

  /** Renders a task, handing each different picture to the receiver. Rejects when it fails or is aborted. */
  async render(task: Omit<RenderTask, 'ring'>, receiver: FrameReceiver, signal: AbortSignal): Promise<void> {
    const worker = await this.acquire();
    const { widthPx, heightPx } = FORMATS.get(task.format);
    const memory = createFrameRing(SLOTS, widthPx * heightPx * bytesAPixel(task) + SPARE_BYTES);
    try {
      await runTask(worker, { ...task, ring: memory }, memory, receiver, signal);
      this.giveBack(worker);
    } catch (error) {
      // A worker in an unknown state is not used again.
      this.started--;
      await worker.terminate();
      this.replaceForWaiting();
      throw error;
    }
  }

  /** Ends all threads. */
  async close(): Promise<void> {
    await Promise.all(this.idle.splice(0).map((worker) => worker.terminate()));
  }

  private acquire(): Promise<Worker> {
    const free = this.idle.pop();
    if (free !== undefined) return Promise.resolve(free);
    if (this.started < this.size) return Promise.resolve(this.start());
    return new Promise((resolve) => this.waiting.push(resolve));
  }

  private start(): Worker {
    this.started++;
    // Kept from bundlers, which would try to follow the path.
    const file = [this.root, 'dist', 'renderWorker.mjs'];
    const worker = new Worker(join(...file), { workerData: this.root });
    worker.unref();
    return worker;
  }

  private giveBack(worker: Worker): void {
    const next = this.waiting.shift();
    if (next === undefined) this.idle.push(worker);
    else next(worker);
  }

  private replaceForWaiting(): void {
    const next = this.waiting.shift();
    if (next !== undefined) next(this.start());
  }
}

function runTask(
  worker: Worker,
  task: RenderTask,
  memory: FrameRingMemory,
  receiver: FrameReceiver,
  signal: AbortSignal,
): Promise<void> {
  const ring = new FrameRing(memory);
  return new Promise((resolve, reject) => {
    let chain: Promise<void> = Promise.resolve();
    const fail = (error: unknown): void => {
      stop();
      reject(error instanceof Error ? error : new Error(String(error)));
    };
    const onMessage = (message: WorkerMessage): void => {
      if (message.type === 'failed') return fail(new Error(message.message));
      if (message.type === 'reference') return receiver.reference(message.frame, message.pixels, message.png);
      if (message.type === 'done') {
        chain.then(() => {
          stop();
          resolve();
        }, fail);
        return;
      }
      chain = chain.then(async () => {
        if (message.type === 'known') return receiver.known?.(message.key, message.repeats);
        const view = ring.bytes(message.slot, message.byteLength);
        await receiver.frame(Buffer.from(view.buffer, view.byteOffset, view.byteLength), message);
        ring.free(message.slot);
      });
      chain.catch(fail);
    };
    const onExit = (code: number): void => fail(new Error(`A render thread ended with code ${code}`));
    const onAbort = (): void => fail(new Error('Cancelled'));
    const stop = (): void => {
      ring.cancel();
      worker.off('message', onMessage).off('error', fail).off('exit', onExit);
      signal.removeEventListener('abort', onAbort);
    };
    worker.on('message', onMessage).on('error', fail).on('exit', onExit);
    signal.addEventListener('abort', onAbort);
    if (signal.aborted) onAbort();
    else worker.postMessage(task);
  });
}
