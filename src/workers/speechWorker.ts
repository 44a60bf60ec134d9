import { PEAKS_PER_SECOND } from '@/contract/assets';
import { samplePeaks } from '@/core/sound/peaks';
import { standInSpeech } from '@/core/sound/speech';
import { samplesToWav } from '@/core/sound/wav';

// Its highest overtone is below 3 kHz.
const SAMPLES_PER_SECOND = 11_025;

/** The sound of the talking stand-in: a WAV file, and how loud it is over its time. */
export interface SpokenStandIn {
  readonly file: ArrayBuffer;
  readonly peaks: Uint8Array<ArrayBuffer>;
}

/* Makes the sound of the talking stand-in, as long as it is told. */
addEventListener('message', ({ data: seconds }: MessageEvent<number>) => {
  const samples = standInSpeech(seconds, SAMPLES_PER_SECOND);
  const file = samplesToWav(samples, SAMPLES_PER_SECOND);
  const peaks = samplePeaks(samples, SAMPLES_PER_SECOND, PEAKS_PER_SECOND);
  const spoken: SpokenStandIn = { file, peaks };
  postMessage(spoken, { transfer: [file, peaks.buffer] });
});
