import { spawn } from 'node:child_process';
import { PEAKS_PER_SECOND } from '@/contract/assets';

const RATE_HZ = 8000;

const SAMPLES = RATE_HZ / PEAKS_PER_SECOND;
// A day of sound; more is no file of a project.
const MOST_PEAKS = PEAKS_PER_SECOND * 24 * 60 * 60;

/**
 * How loud a video is over its time: the loudest sample of each twenty-fifth of a second, from 0 to 255; empty for one
 * without sound. The sound is decoded by ffmpeg and read as it comes, so that long ones take no room.
 */
export async function soundPeaks(path: string): Promise<Uint8Array> {
  const args = ['-v', 'error', '-nostdin', '-protocol_whitelist', 'file', '-i', path];
  const raw = ['-map', '0:a:0', '-ac', '1', '-ar', String(RATE_HZ), '-f', 's16le', 'pipe:1'];
  const child = spawn('ffmpeg', [...args, ...raw], { stdio: ['ignore', 'pipe', 'ignore'] });
  const peaks: number[] = [];
  let [peak, samples] = [0, 0];
  // Half of a sample, where the pipe cut it in two.
  let odd: Buffer = Buffer.alloc(0);
  child.stdout.on('data', (chunk: Buffer) => {
    const data = odd.length === 0 ? chunk : Buffer.concat([odd, chunk]);
    for (let at = 0; at + 1 < data.length; at += 2) {
      peak = Math.max(peak, Math.abs(data.readInt16LE(at)));
      samples += 1;
      if (samples < SAMPLES) continue;
      if (peaks.length < MOST_PEAKS) peaks.push(Math.min(255, peak >> 7));
      [peak, samples] = [0, 0];
    }
    odd = data.subarray(data.length - (data.length % 2));
  });
  await new Promise<void>((resolve) => {
    child.on('error', () => resolve());
    child.on('close', () => resolve());
  });
  return Uint8Array.from(peaks);
}
