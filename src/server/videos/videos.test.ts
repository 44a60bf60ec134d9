import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { copyFile, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PEAKS_PER_SECOND } from '@/contract/assets';
import { runTool } from '../press/ffmpeg';
import { isShownByBrowsers, probeVideo } from './probe';
import { soundPeaks } from './sound';
import { clearCopies, copyState, startCopy } from './viewingCopy';

let folder: string;
const at = (name: string): string => join(folder, name);
const PICTURES = ['-f', 'lavfi', '-i', 'testsrc=size=1280x720:rate=25:duration=2'];
// A tone for a second, then silence.
const SOUND = ['-f', 'lavfi', '-i', 'sine=frequency=440:duration=1,apad=whole_dur=2'];

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'gilder-videos-'));
  await runTool('ffmpeg', [
    ...[...PICTURES, ...SOUND],
    ...[
      '-c:v',
      'prores_ks',
      '-profile:v',
      '0',
      '-c:a',
      'pcm_s16le',
      '-timecode',
      '10:00:00:00',
      at('rushes.mov'),
    ],
  ]);
  await runTool('ffmpeg', [
    ...PICTURES,
    '-c:v',
    'mpeg2video',
    '-b:v',
    '4M',
    '-timecode',
    '01:02:03:04',
    at('rushes.mxf'),
  ]);
  await runTool('ffmpeg', [...PICTURES, '-c:v', 'libvpx', '-b:v', '1M', at('plain.webm')]);
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('what a file says of itself', () => {
  test('its codec, length, first timecode, and whether it has sound', async () => {
    expect(await probeVideo(at('rushes.mov'))).toMatchObject({
      codec: 'prores',
      seconds: 2,
      widthPx: 1280,
      startTimecode: '10:00:00:00',
      hasSound: true,
    });
    expect(await probeVideo(at('rushes.mxf'))).toMatchObject({
      codec: 'mpeg2video',
      startTimecode: '01:02:03:04',
      hasSound: false,
    });
    const plain = await probeVideo(at('plain.webm'));
    expect(plain).toMatchObject({ codec: 'vp8', startTimecode: '' });
    expect(plain && isShownByBrowsers(plain)).toBe(true);
  });

  test('nothing, for a file that is no video', async () => {
    await writeFile(at('notes.txt'), 'Ilse Marrow');
    expect(await probeVideo(at('notes.txt'))).toBeNull();
  });
});

const whole = async (id: string): Promise<void> => {
  while (copyState(id)?.state === 'copying') await new Promise((resolve) => setImmediate(resolve));
};

describe('a viewing copy', () => {
  test('is small, has the sound, lasts as long, and the original is not kept', async () => {
    await copyFile(at('rushes.mov'), at('came-in'));
    const kept: object[] = [];
    await startCopy('a-mp4', at('came-in'), folder, 'a.mp4', 2, async (copy) => void kept.push(copy));
    expect(copyState('a-mp4')?.state).toBe('copying');
    await whole('a-mp4');
    expect(copyState('a-mp4')).toBeNull();
    expect(kept).toHaveLength(1);
    expect(await probeVideo(at('a.mp4'))).toMatchObject({ codec: 'h264', widthPx: 960, hasSound: true });
    expect((await probeVideo(at('a.mp4')))?.seconds).toBeCloseTo(2, 0);
    expect((await readdir(folder)).filter((name) => /original|part|came-in/.test(name))).toEqual([]);
  });

  test('that cannot be made says so, and leaves nothing', async () => {
    await writeFile(at('broken'), 'no video at all');
    await startCopy('b-mp4', at('broken'), folder, 'b.mp4', 1, () => Promise.resolve());
    await whole('b-mp4');
    expect(copyState('b-mp4')).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('No viewing copy'),
    });
    expect((await readdir(folder)).filter((name) => name.startsWith('b'))).toEqual([]);
  });

  test('what a server that was stopped in the middle left is taken away, and nothing else', async () => {
    await writeFile(at('c.mp4.original'), 'x');
    await writeFile(at('c.mp4.part.mp4'), 'x');
    await clearCopies(folder);
    const names = await readdir(folder);
    expect(names.filter((name) => name.startsWith('c'))).toEqual([]);
    expect(names).toContain('rushes.mxf');
  });
});

test('sound is loud where there is a tone, silent where there is none, and empty for a video without', async () => {
  const peaks = await soundPeaks(at('rushes.mov'));
  expect(Math.abs(peaks.length - 2 * PEAKS_PER_SECOND)).toBeLessThanOrEqual(1);
  // The tone is an eighth of full scale.
  expect(peaks[10]).toBeGreaterThan(25);
  expect(peaks[40]).toBe(0);
  expect(await soundPeaks(at('plain.webm'))).toHaveLength(0);
});
