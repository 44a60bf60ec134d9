import { spawn } from 'node:child_process';
import { open, rm } from 'node:fs/promises';
import type { FileHandle } from 'node:fs/promises';
import type { GroundClip } from '@/core/project/ground';
import { videoOf } from '@/core/project/ground';
import type { FrameRate } from '@/core/time/rates';
import { runTool } from '../ffmpeg';

/** How the sound is laid down: two channels of 16 bits. */
export const SOUND = { hertz: 48_000, channels: 2 } as const;
const BYTES_A_SAMPLE = SOUND.channels * 2;

interface SoundOf {
  readonly clips: readonly GroundClip[];
  readonly lengthFrames: number;
  readonly rate: FrameRate;
  /** The videos that are here, by id. */
  readonly files: ReadonlyMap<string, string>;
}

async function hasSound(path: string): Promise<boolean> {
  const args = '-select_streams a:0 -show_entries stream=index -of csv=p=0'.split(' ');
  // One that cannot be read is told of when its pictures are.
  const said = await runTool('ffprobe', [...args, path]).catch(() => '');
  return said.toString().trim() !== '';
}

/**
 * Lays the sound of the videos under a programme into a file of raw samples, each where its clip is and silence between,
 * as long as the programme to the sample. False, and no file, where none of them sounds. Clips that others lie over
 * sound only where they are seen.
 */
export async function layGroundSound(
  path: string,
  { clips, lengthFrames, rate, files }: SoundOf,
): Promise<boolean> {
  const sampleOf = (frame: number): number =>
    Math.round((frame * SOUND.hertz * rate.denominator) / rate.numerator);
  const sounding: { clip: GroundClip; file: string }[] = [];
  for (const clip of clips) {
    const file = files.get(videoOf(clip) ?? '');
    if (file !== undefined && (await hasSound(file))) sounding.push({ clip, file });
  }
  if (sounding.length === 0) return false;
  const out = await open(path, 'w');
  try {
    // What is not written reads as silence.
    await out.truncate(sampleOf(lengthFrames) * BYTES_A_SAMPLE);
    for (const { clip, file } of sounding) {
      // A clip is seen until the next one begins, or until its end.
      const next = clips
        .filter(({ startFrame }) => startFrame > clip.startFrame)
        .map(({ startFrame }) => startFrame);
      const end = Math.min(clip.startFrame + clip.lengthFrames, lengthFrames, ...next);
      const [from, to] = [sampleOf(clip.startFrame), sampleOf(end)];
      const seconds = (clip.sourceStartFrame * rate.denominator) / rate.numerator;
      await copySamples(file, seconds, out, from * BYTES_A_SAMPLE, (to - from) * BYTES_A_SAMPLE);
    }
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  } finally {
    await out.close();
  }
  return true;
}

/** Decodes sound from a moment on into a file at a place, as much of it as there is up to so many bytes. */
async function copySamples(
  file: string,
  seconds: number,
  out: FileHandle,
  at: number,
  bytes: number,
): Promise<void> {
  const args = [
    ...['-v', 'error', '-nostdin', '-protocol_whitelist', 'file', '-ss', seconds.toFixed(6), '-i', file],
    ...['-map', '0:a:0', '-ac', String(SOUND.channels), '-ar', String(SOUND.hertz), '-f', 's16le', 'pipe:1'],
  ];
  const child = spawn('ffmpeg', args, { stdio: ['ignore', 'pipe', 'ignore'] });
  child.on('error', () => undefined);
  let written = 0;
  for await (const chunk of child.stdout) {
    const part: Buffer = (chunk as Buffer).subarray(0, bytes - written);
    await out.write(part, 0, part.length, at + written);
    written += part.length;
    if (written >= bytes) break;
  }
  child.kill('SIGKILL');
}
