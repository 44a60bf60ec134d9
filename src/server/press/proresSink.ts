import { rm, writeFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { FfmpegFeed, runTool } from './ffmpeg';
import type { FrameSink, SinkOptions } from './sink';
import { BT709, rawInput } from './sink';

const PRORES =
  '-c:v prores_ks -profile:v 4444 -pix_fmt yuva444p10le -alpha_bits 16 -qscale:v 9 -mbs_per_slice 8'.split(
    ' ',
  );

/**
 * ProRes 4444 with alpha. Every frame stands alone, so each different picture is encoded once, and a list
 * of pieces then repeats it without encoding again.
 */
export function createProresSink(options: SinkOptions): FrameSink {
  const distinct = `${options.path}.distinct.mov`;
  const list = `${options.path}.list.txt`;
  const repeats: number[] = [];
  const feed = new FfmpegFeed([...rawInput(options), ...BT709, ...PRORES, '-f', 'mov', distinct]);
  const tidy = async (): Promise<void> => {
    await rm(distinct, { force: true });
    await rm(list, { force: true });
  };
  return {
    async write(bytes, times) {
      repeats.push(times);
      await feed.write(bytes);
    },
    async finish() {
      await feed.finish();
      await writeFile(
        list,
        concatList(basename(distinct), repeats, options.rate.denominator / options.rate.numerator),
      );
      await runTool('ffmpeg', [
        '-y',
        '-f',
        'concat',
        '-safe',
        '0',
        '-i',
        list,
        '-c',
        'copy',
        '-f',
        'mov',
        options.path,
      ]);
      await tidy();
    },
    async abort() {
      await feed.abort();
      await tidy();
    },
  };
}

/** Pieces of a file for ffmpeg's concat reader: runs of single frames together, repeated frames piece by piece. */
export function concatList(file: string, repeats: readonly number[], frameSeconds: number): string {
  const lines = ['ffconcat version 1.0'];
  const piece = (from: number, to: number): void => {
    lines.push(
      `file '${file}'`,
      `inpoint ${(from * frameSeconds).toFixed(9)}`,
      `outpoint ${(to * frameSeconds).toFixed(9)}`,
    );
  };
  for (let i = 0; i < repeats.length;) {
    let end = i;
    while (end < repeats.length && repeats[end] === 1) end++;
    if (end > i) {
      piece(i, end);
      i = end;
      continue;
    }
    for (let k = 0; k < repeats[i]; k++) piece(i, i + 1);
    i++;
  }
  return `${lines.join('\n')}\n`;
}
