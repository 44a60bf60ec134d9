const HEADER_BYTES = 44;

/** One channel of samples from -1 to 1 as a WAV file with 16 bits a sample; louder samples are clipped. (Microsoft and IBM, Multimedia Programming Interface, 1991.) */
export function samplesToWav(samples: Float32Array, samplesPerSecond: number): ArrayBuffer {
  const bytes = samples.length * 2;
  const data = new DataView(new ArrayBuffer(HEADER_BYTES + bytes));
  const word = (at: number, text: string): void =>
    [...text].forEach((letter, i) => data.setUint8(at + i, letter.charCodeAt(0)));
  word(0, 'RIFF');
  data.setUint32(4, HEADER_BYTES - 8 + bytes, true);
  word(8, 'WAVEfmt ');
  data.setUint32(16, 16, true);
  // PCM, one channel.
  data.setUint16(20, 1, true);
  data.setUint16(22, 1, true);
  data.setUint32(24, samplesPerSecond, true);
  data.setUint32(28, samplesPerSecond * 2, true);
  data.setUint16(32, 2, true);
  data.setUint16(34, 16, true);
  word(36, 'data');
  data.setUint32(40, bytes, true);
  samples.forEach((sample, i) =>
    data.setInt16(HEADER_BYTES + i * 2, Math.max(-1, Math.min(1, sample)) * 32_767, true),
  );
  return data.buffer;
}
