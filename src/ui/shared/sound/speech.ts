import type { SpokenStandIn } from '@/workers/speechWorker';

/** Stands for the talking stand-in where others have the id of a file. */
export const SPEECH = 'speech';

/** The sound of the talking stand-in: where it is played from, and how loud it is over its time. */
interface Speech {
  readonly url: string;
  readonly peaks: Uint8Array;
}

/** How long it speaks before it begins anew. */
export const SPEECH_SECONDS = 30;

let spoken: Promise<Speech> | null = null;

/** What the talking stand-in says, made once a page by a worker, so that nothing stops meanwhile. */
export function standInSpeech(): Promise<Speech> {
  spoken ??= new Promise((resolve) => {
    const worker = new Worker(new URL('../../../workers/speechWorker.ts', import.meta.url));
    worker.addEventListener('message', ({ data }: MessageEvent<SpokenStandIn>) => {
      worker.terminate();
      const url = URL.createObjectURL(new Blob([data.file], { type: 'audio/wav' }));
      resolve({ url, peaks: data.peaks });
    });
    worker.postMessage(SPEECH_SECONDS);
  });
  return spoken;
}
