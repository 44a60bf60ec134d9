/**
 * How loud a sound is over its time: the loudest sample of each part of a second, from 0 to 255. `samples` lie between
 * -1 and 1; the last part may be shorter than the others. Empty for no samples.
 */
export function samplePeaks(
  samples: Float32Array,
  samplesPerSecond: number,
  peaksPerSecond: number,
): Uint8Array<ArrayBuffer> {
  const perPeak = samplesPerSecond / peaksPerSecond;
  const peaks = new Uint8Array(Math.ceil(samples.length / perPeak));
  samples.forEach((sample, i) => {
    const at = Math.floor(i / perPeak);
    peaks[at] = Math.max(peaks[at], Math.min(255, Math.round(Math.abs(sample) * 255)));
  });
  return peaks;
}

interface WaveSize {
  readonly lines: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly loudest?: number;
}

/**
 * The path (SVG) of a wave: upright lines about the middle of a band, evenly from left to right, as loud as the peaks
 * between two times. `times` gives the time in seconds at a share of the width, from 0 to 1, and never goes back; `lines`
 * are drawn, as high as the band where the sound is as loud as `loudest`. Where there is none a line is a point.
 */
export function wavePath(
  peaks: Uint8Array,
  peaksPerSecond: number,
  times: (share: number) => number,
  { lines, widthPx, heightPx, loudest = 255 }: WaveSize,
): string {
  const indexAt = (line: number): number => Math.floor(times(line / lines) * peaksPerSecond);
  return Array.from({ length: lines }, (_, line) => {
    const [from, to] = [indexAt(line), indexAt(line + 1)];
    let peak = 0;
    for (let at = from; at < Math.max(to, from + 1); at++) peak = Math.max(peak, peaks[at] ?? 0);
    const half = Math.max(0.4, Math.min(1, peak / loudest) * (heightPx / 2));
    const x = (((line + 0.5) * widthPx) / lines).toFixed(1);
    return `M${x} ${(heightPx / 2 - half).toFixed(1)}V${(heightPx / 2 + half).toFixed(1)}`;
  }).join('');
}
