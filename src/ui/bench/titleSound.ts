import { standInSpeech } from '@/core/sound/speech';

const SAMPLES_PER_SECOND = 22_050;
const SPEECH_SECONDS = 30;

/** The sound of the talking stand-in as a WAV file (16 bit, one channel). */
export function speechFile(): Blob {
  const samples = standInSpeech(SPEECH_SECONDS, SAMPLES_PER_SECOND);
  const data = new DataView(new ArrayBuffer(44 + samples.length * 2));
  const word = (at: number, text: string): void =>
    [...text].forEach((letter, i) => data.setUint8(at + i, letter.charCodeAt(0)));
  word(0, 'RIFF');
  data.setUint32(4, 36 + samples.length * 2, true);
  word(8, 'WAVEfmt ');
  data.setUint32(16, 16, true);
  data.setUint16(20, 1, true);
  data.setUint16(22, 1, true);
  data.setUint32(24, SAMPLES_PER_SECOND, true);
  data.setUint32(28, SAMPLES_PER_SECOND * 2, true);
  data.setUint16(32, 2, true);
  data.setUint16(34, 16, true);
  word(36, 'data');
  data.setUint32(40, samples.length * 2, true);
  samples.forEach((sample, i) => data.setInt16(44 + i * 2, Math.max(-1, Math.min(1, sample)) * 32_767, true));
  return new Blob([data.buffer], { type: 'audio/wav' });
}
