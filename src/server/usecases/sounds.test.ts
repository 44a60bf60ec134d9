import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import type { ReceivedFile } from '../incoming/receiveBody';
import { receivedIn } from '../testing/received';
import { workshop } from '../workshop';
import { getSoundPeaks, getVideos, mediaFile } from './media';
import { takeInPackage, templatePackage } from './packages';
import { deleteForGood } from './room';
import { takeInSound } from './sounds';
import { getTemplate, putTemplate, startTemplate } from './templates';

let folder: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-sounds-'));
  process.env.GILDER_DATA = folder;
  await workshop();
});

afterAll(async () => {
  const { press, close } = await workshop();
  await press.stop();
  await close();
  rmSync(folder, { recursive: true });
});

const received = (bytes: Buffer): Promise<ReceivedFile> => receivedIn(join(folder, 'incoming'), bytes);

/** A second of silence and a second of a tone, made by ffmpeg as a kind of file. */
function made(name: string, ...args: string[]): Buffer {
  const path = join(folder, name);
  const tone = 'aevalsrc=if(gt(t\\,1)\\,0.8*sin(880*PI*t)\\,0):s=44100:d=2';
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', '-i', tone, ...args, path]);
  return readFileSync(path);
}

/** The samples of a file as another decoder's hash says them. */
const samplesOf = (path: string): string =>
  execFileSync('ffmpeg', ['-v', 'error', '-i', path, '-ac', '1', '-f', 's16le', '-f', 'md5', '-'], {
    encoding: 'utf8',
  }).trim();

test('a sound is kept as it is where browsers play it, once, and is no video', async () => {
  const bytes = made('tone.wav');
  const sound = await takeInSound('Sting.wav', await received(bytes));
  expect(sound).toMatchObject({ name: 'Sting.wav', seconds: 2 });
  expect((await takeInSound('Again.wav', await received(bytes))).id).toBe(sound.id);
  const answer = await mediaFile(new Request('http://127.0.0.1/'), sound.id);
  expect(answer.headers.get('Content-Type')).toBe('audio/wav');
  expect(Buffer.from(await answer.arrayBuffer()).equals(bytes)).toBe(true);
  expect(await getVideos()).toEqual([]);
  const peaks = await getSoundPeaks(sound.id);
  expect(Math.max(...peaks.subarray(0, 24))).toBe(0);
  expect(Math.min(...peaks.subarray(26, 49))).toBeGreaterThan(150);
});

test.each([
  ['another codec in a file that browsers know', 'law.wav', ['-c:a', 'pcm_alaw']],
  ['a file that browsers do not know', 'tone.aiff', []],
  ['the sound of a video', 'tone.mov', ['-c:a', 'pcm_s16le']],
])('%s is kept without loss as one that they play', async (_, name, args) => {
  const { id } = await takeInSound(name, await received(made(name, ...args)));
  expect(id).toMatch(/-flac$/);
  const { mediaFolder } = await workshop();
  expect(samplesOf(join(mediaFolder, id.replace('-flac', '.flac')))).toBe(samplesOf(join(folder, name)));
});

test('what has no sound in it, or a broken one, is refused and leaves nothing', async () => {
  const { mediaFolder } = await workshop();
  const before = readdirSync(mediaFolder);
  await expect(takeInSound('x.wav', await received(Buffer.from('no sound')))).rejects.toThrow(
    'File "x.wav": needs a sound: WAV, FLAC, MP3, M4A, OGG or AIFF, found "a file of another kind".',
  );
  const broken = made('whole.flac').subarray(0, 90);
  await expect(takeInSound('x.flac', await received(broken))).rejects.toThrow('File "x.flac": needs a sound');
  const long = ['-f', 'lavfi', '-i', 'anullsrc=r=8000:cl=mono:d=10900', '-c:a', 'flac'];
  const path = join(folder, 'long.flac');
  execFileSync('ffmpeg', ['-v', 'error', ...long, path]);
  await expect(takeInSound('x.flac', await received(readFileSync(path)))).rejects.toThrow('three hours');
  expect(readdirSync(mediaFolder)).toEqual(before);
});

test('a template keeps its sound: in a package, and against being deleted', async () => {
  const { mediaFolder } = await workshop();
  const bytes = made('sting.flac');
  const { id: sound } = await takeInSound('Sting', await received(bytes));
  const start = { name: 'Sting', kind: 'name-strap', production: '', format: 'wide-1080', rate: '25' };
  const id = await startTemplate(start);
  const { revision } = await getTemplate(id);
  const kept = { source: `media:${sound}`, name: 'Sting' };
  await putTemplate(id, { revision, document: { ...tidelineStrap, sound: kept } });
  await expect(deleteForGood('video', sound)).rejects.toThrow(tidelineStrap.name);

  const zip = join(folder, 'sting.zip');
  writeFileSync(zip, Buffer.from(await (await templatePackage(id)).arrayBuffer()));
  const inside = execFileSync('unzip', ['-p', zip, 'sound/1.flac'], { maxBuffer: 1e7 });
  expect(inside.equals(bytes)).toBe(true);

  // Elsewhere, where the sound is not yet.
  rmSync(join(mediaFolder, sound.replace('-flac', '.flac')));
  await expect(templatePackage(id)).rejects.toThrow('needs a sound that is here, found "Sting"');
  const opened = await takeInPackage('sting.zip', { path: zip });
  const { document } = await getTemplate(opened.id);
  expect(document.sound).toEqual(kept);
  expect(existsSync(join(mediaFolder, sound.replace('-flac', '.flac')))).toBe(true);
  await expect(
    putTemplate(id, { revision: 2, document: { ...tidelineStrap, sound: { source: 'x', name: 'y' } } }),
  ).rejects.toThrow('sound');
});
