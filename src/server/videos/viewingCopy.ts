import { spawn } from 'node:child_process';
import { readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { CopyState } from '@/contract/assets';
import { INCOMING } from '../mediaFiles';
import { hashFile } from '../hashFile';

/*
 * Videos that browsers cannot decode get a small copy to look at. The original is moved aside while the copy is made, and
 * is not kept: titles never need it. What is being made is known as long as the server runs; a copy that a restart broke
 * off is gone, and whoever asks for it is told to send the file again.
 */
const making = new Map<string, CopyState>();

const WIDTH_PX = 960;
const ORIGINAL = '.original';
const PART = '.part.mp4';

/** Where a copy is: being made, failed, or gone; null for one that nobody is making. */
export function copyState(id: string): CopyState | null {
  return making.get(id) ?? null;
}

interface Copied {
  readonly bytes: number;
  readonly sha256: string;
}

/** Makes a viewing copy in the background; `keep` is told of it once it is whole and in its place. */
export async function startCopy(
  id: string,
  original: string,
  folder: string,
  fileName: string,
  seconds: number,
  keep: (copy: Copied) => Promise<void>,
): Promise<void> {
  if (making.get(id)?.state === 'copying') return;
  making.set(id, { state: 'copying', share: 0, message: '' });
  const source = join(folder, `${fileName}${ORIGINAL}`);
  const part = join(folder, `${fileName}${PART}`);
  await rename(original, source);
  void make(id, source, part, join(folder, fileName), seconds, keep).then((message) => {
    if (message === '') making.delete(id);
    else making.set(id, { state: 'failed', share: 0, message });
  });
}

/** Makes a copy, or says in words why there is none; what was in between is taken away either way. */
async function make(
  id: string,
  source: string,
  part: string,
  target: string,
  seconds: number,
  keep: (copy: Copied) => Promise<void>,
): Promise<string> {
  try {
    await encode(source, part, seconds, (share) => making.set(id, { state: 'copying', share, message: '' }));
    const sha256 = await hashFile(part);
    const { size } = await stat(part);
    await rename(part, target);
    await keep({ bytes: size, sha256 });
    return '';
  } catch (error) {
    const why = error instanceof Error ? error.message.slice(-200) : String(error);
    return `No viewing copy could be made. Export it in another way. (${why})`;
  } finally {
    await Promise.all([source, part].map((path) => rm(path, { force: true })));
  }
}

function encode(
  source: string,
  target: string,
  seconds: number,
  tell: (share: number) => void,
): Promise<void> {
  const args = [
    ...['-v', 'error', '-y', '-nostdin', '-protocol_whitelist', 'file', '-i', source],
    ...['-map', '0:v:0', '-map', '0:a:0?', '-vf', `scale='min(${WIDTH_PX},iw)':-2`],
    ...['-c:v', 'libx264', '-preset', 'veryfast', '-crf', '24', '-pix_fmt', 'yuv420p', '-g', '25'],
    ...['-c:a', 'aac', '-b:a', '128k', '-ac', '2', '-movflags', '+faststart', '-progress', 'pipe:1', target],
  ];
  const child = spawn('ffmpeg', args, { stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
  child.stdout.on('data', (chunk: Buffer) => {
    const at = /out_time_us=(\d+)/.exec(chunk.toString());
    if (at !== null && seconds > 0) tell(Math.min(0.99, Number(at[1]) / 1e6 / seconds));
  });
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`ffmpeg, code ${code}: ${said.trim()}`)),
    );
  });
}

/** Takes away what a server that was stopped in the middle of a copy left. */
export async function clearCopies(folder: string): Promise<void> {
  const names = await readdir(folder).catch(() => []);
  const left = names.filter((name) => [ORIGINAL, PART, INCOMING].some((ending) => name.endsWith(ending)));
  await Promise.all(left.map((name) => rm(join(folder, name), { force: true })));
}
