import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { CAPTION_CUES } from '../../demo/captions';
import { cuesToFile } from '@/core/captions/cueFiles';
import { CAPTION_FORMATS } from '@/core/formats/captions';
import { newFileCue } from '@/core/formats/captions/captionFile';
import type { FileCue } from '@/core/formats/captions/captionFile';
import { plainWords } from '@/core/formats/captions/cueMarks';
import { clockOf } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';

// Readers that are not ours: ffmpeg's of SubRip and WebVTT, libxml2's of TTML.

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-captions-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

const rate = RATES.get('25');
const HARD = [
  newFileCue({ startSeconds: 130, endSeconds: 131.04, words: 'a < b & "c" > d', speaker: 'Nell' }),
  newFileCue({
    startSeconds: 3600.04,
    endSeconds: 3601,
    words: '<c.cyan>One</c>\n<i>two</i>',
    place: 'top',
    align: 'left',
  }),
];
const CUES: readonly FileCue[] = [
  ...cuesToFile(
    CAPTION_CUES.filter(({ trackId }) => trackId === 'captions-hi'),
    rate,
  ),
  ...HARD,
];

function written(id: string): string {
  const format = CAPTION_FORMATS.get(id);
  const path = join(folder, `${id}.${format.extension}`);
  const options = { clock: clockOf(rate), language: 'hi', name: 'Night report', date: '2026-11-28' };
  writeFileSync(path, format.write(CUES, options));
  return path;
}

const tool = (command: string, ...args: string[]): string =>
  execFileSync(command, args, { encoding: 'utf8' });

test.each(['srt', 'vtt'])('ffmpeg reads every time and word of %s', (id) => {
  const path = written(id);
  const entries = 'packet=pts_time,duration_time';
  const read: { packets: { pts_time: string; duration_time: string }[] } = JSON.parse(
    tool('ffprobe', '-v', 'error', '-show_entries', entries, '-of', 'json', path),
  );
  const found = read.packets.map((one) => [Number(one.pts_time), Number(one.duration_time).toFixed(3)]);
  expect(found).toEqual(
    CUES.map(({ startSeconds, endSeconds }) => [startSeconds, (endSeconds - startSeconds).toFixed(3)]),
  );
  // Its own SubRip of what it read: marks aside, word for word.
  const again = tool('ffmpeg', '-v', 'error', '-i', path, '-f', 'srt', '-');
  const words = again
    .split(/\r?\n/)
    .filter((line) => line !== '' && !/^\d+$/.test(line) && !line.includes('-->'))
    .join('\n')
    .replaceAll('\u200b', '')
    .replace(/<[/]?(?:i|font)[^>]*>|\{\\an\d\}/g, '');
  for (const cue of CUES) for (const line of plainWords(cue.words).split('\n')) expect(words).toContain(line);
});

test('libxml2 finds EBU-TT-D as its specification lays it out', () => {
  const grammar = join(process.cwd(), 'src/server/testing/ebuTtD.rng');
  // It writes the file out again where it is valid, and exits with an error where it is not.
  expect(() => tool('xmllint', '--noout', '--relaxng', grammar, written('ebu-tt-d'))).not.toThrow();
});

test('libxml2 reads IMSC 1.1: its profile, its cues, and every style and region that it refers to', () => {
  const path = written('imsc');
  const ask = (expression: string): string => tool('xmllint', '--xpath', expression, path).trim();
  expect(ask('string(/*/@*[local-name()="contentProfiles"])')).toBe(
    'http://www.w3.org/ns/ttml/profile/imsc1.1/text',
  );
  expect(ask('count(//*[local-name()="p"])')).toBe(String(CUES.length));
  expect(
    ask('count(//*[local-name()="p"][not(@region = //*[local-name()="region"]/@*[local-name()="id"])])'),
  ).toBe('0');
  const used = new Set(ask('//*[local-name()="span" or local-name()="p"]/@style').match(/[\w-]+(?=[ "])/g));
  const named = ask('//*[local-name()="style"]/@*[local-name()="id"]');
  for (const style of [...used].filter((one) => one !== 'style')) expect(named).toContain(`"${style}"`);
  expect(ask('string((//*[local-name()="p"])[27])')).toBe('a < b & "c" > d');
  expect(ask('string((//*[local-name()="p"])[28]/@begin)')).toBe('01:00:00.040');
  expect(ask('count(//*[@*[local-name()="forcedDisplay"]="true"])')).toBe('1');
});
