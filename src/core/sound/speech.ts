import { seededShare } from '../kit/seeded';

const SEED = 41;
const LOUDEST = 0.5;

/** A syllable of the stand-in's speech, in seconds from its start. */
interface Syllable {
  readonly at: number;
  readonly length: number;
  readonly pitchHz: number;
  readonly firstFormantHz: number;
  readonly secondFormantHz: number;
}

/** The syllables of the talking stand-in: words of one to four, a breath between sentences. */
function syllables(seconds: number): Syllable[] {
  const all: Syllable[] = [];
  let at = 0.25;
  for (let word = 0; at < seconds; word++) {
    const count = 1 + Math.floor(seededShare(SEED, word) * 3.4);
    for (let i = 0; i < count; i++) {
      const chance = (which: number): number => seededShare(SEED + 1, word * 40 + i * 8 + which);
      const length = 0.11 + 0.09 * chance(0);
      all.push({
        at,
        length,
        pitchHz: 118 + 30 * chance(1) - 12 * i,
        firstFormantHz: 320 + 480 * chance(2),
        secondFormantHz: 900 + 1400 * chance(3),
      });
      at += length + 0.015;
    }
    at += word % 6 === 5 ? 0.6 : 0.1 + 0.08 * seededShare(SEED + 2, word);
  }
  return all.filter((one) => one.at + one.length < seconds);
}

/** Speech-like sound without words, samples from -1 to 1, one channel: what a talking stand-in says. */
export function standInSpeech(seconds: number, samplesPerSecond: number): Float32Array {
  const samples = new Float32Array(Math.ceil(seconds * samplesPerSecond));
  for (const syllable of syllables(seconds)) {
    const first = Math.floor(syllable.at * samplesPerSecond);
    const count = Math.floor(syllable.length * samplesPerSecond);
    const tones = overtones(syllable);
    for (let i = 0; i < count; i++) {
      const swell = Math.sin((Math.PI * i) / count) ** 0.6;
      let sum = 0;
      for (const { turns, loud } of tones) sum += loud * Math.sin((turns * i) / samplesPerSecond);
      samples[first + i] += LOUDEST * swell * sum;
    }
  }
  return samples;
}

// What is quieter than this share of the loudest is not heard beside it.
const HEARD = 0.04;

/** The overtones of a syllable that are heard: radians a second, loudest near its formants. */
function overtones({
  pitchHz,
  firstFormantHz,
  secondFormantHz,
}: Syllable): { turns: number; loud: number }[] {
  return Array.from({ length: 18 }, (_, i) => {
    const hz = (i + 1) * pitchHz;
    const near = (formantHz: number): number => 1 / (1 + ((hz - formantHz) / 140) ** 2);
    const loud = Math.max(near(firstFormantHz), near(secondFormantHz)) / (i + 1) ** 0.4;
    return { turns: 2 * Math.PI * hz, loud: loud / 4 };
  }).filter(({ loud }) => loud > HEARD / 4);
}
