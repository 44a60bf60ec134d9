import { standInSpeech } from '@/core/sound/speech';
import { samplesToWav } from '@/core/sound/wav';

// Its highest overtone is below 3 kHz.
const SAMPLES_PER_SECOND = 11_025;
const SPEECH_SECONDS = 30;

/* Makes the sound of the talking stand-in, a WAV file, when it is asked for anything. */
addEventListener('message', () => {
  const file = samplesToWav(standInSpeech(SPEECH_SECONDS, SAMPLES_PER_SECOND), SAMPLES_PER_SECOND);
  postMessage(file, { transfer: [file] });
});
