import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { InputError } from '@/core/kit/inputError';
import type { PictureAnswer, PictureTask, PreparedPicture } from './pictureTask';

/** What opening one picture may cost. */
export interface PictureLimits {
  /** Of one processor, so that a busy machine refuses nothing that a quiet one takes. */
  readonly seconds: number;
  readonly memoryBytes: number;
}

const LIMITS: PictureLimits = { seconds: 2, memoryBytes: 1_200_000_000 };
const LOOK_EVERY_MS = 40;
// Linux counts a process's time in hundredths of a second (sysconf(_SC_CLK_TCK)) and its memory in pages.
const TICKS_A_SECOND = 100;
const PAGE_BYTES = 4096;

let idle: ChildProcess | null = null;
let turn: Promise<unknown> = Promise.resolve();

/**
 * A picture file, opened in a process of its own: checked, cleaned and decoded whole. Throws InputError with the reason
 * for one that is refused, takes too long or needs too much memory. Pictures are opened one after the other.
 */
export function preparePicture(
  task: PictureTask,
  where: string,
  limits: PictureLimits = LIMITS,
): Promise<PreparedPicture> {
  const mine = turn.then(() => openInProcess(task, where, limits));
  turn = mine.catch(() => undefined);
  return mine;
}

/** Ends the process that waits for the next picture. */
export function stopPictures(): void {
  idle?.kill('SIGKILL');
  idle = null;
}

async function openInProcess(
  task: PictureTask,
  where: string,
  limits: PictureLimits,
): Promise<PreparedPicture> {
  const child = idle ?? (await start());
  idle = null;
  const answer = await ask(child, task, where, limits);
  idle = child;
  if (answer.type === 'prepared') return answer.picture;
  const { expected, got, advice } = answer.refusal;
  throw new InputError([{ where, expected, got, advice }]);
}

function start(): Promise<ChildProcess> {
  // Kept from bundlers, which would try to follow the path.
  const file = [process.cwd(), 'dist', 'pictureProcess.mjs'];
  const child = fork(join(...file), [process.cwd()], {
    serialization: 'advanced',
    execArgv: [],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  return new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('exit', (code) => reject(new Error(`The process for pictures ended at once (${code})`)));
    child.once('message', () => {
      child.removeAllListeners();
      child.once('exit', () => {
        if (idle === child) idle = null;
      });
      // A process that waits keeps nobody alive.
      child.unref();
      child.channel?.unref();
      resolve(child);
    });
  });
}

function ask(
  child: ChildProcess,
  task: PictureTask,
  where: string,
  limits: PictureLimits,
): Promise<PictureAnswer> {
  child.channel?.ref();
  return new Promise((resolve, reject) => {
    const before = costOf(child.pid).seconds;
    const end = (done: () => void): void => {
      clearInterval(watch);
      child.off('message', answered).off('exit', ended);
      child.channel?.unref();
      done();
    };
    const refuse = (expected: string, got: string): void =>
      end(() => {
        child.kill('SIGKILL');
        reject(InputError.of(where, expected, got, 'Simplify it or scale it down first.'));
      });
    const watch = setInterval(() => {
      const cost = costOf(child.pid);
      if (cost.seconds - before > limits.seconds)
        refuse(`a picture that opens within ${limits.seconds} s`, 'one that takes longer');
      else if (cost.memoryBytes > limits.memoryBytes)
        refuse(`a picture that opens in ${Math.round(limits.memoryBytes / 1e6)} MB`, 'one that needs more');
    }, LOOK_EVERY_MS);
    const answered = (answer: PictureAnswer): void => end(() => resolve(answer));
    const ended = (): void =>
      end(() => reject(InputError.of(where, 'a picture that can be opened', 'one that ends the decoder')));
    child.on('message', answered).on('exit', ended);
    child.send(task);
  });
}

/** What a process has used, from /proc; nothing for one that is gone. */
function costOf(pid: number | undefined): { readonly seconds: number; readonly memoryBytes: number } {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    const ticks = Number(fields[11]) + Number(fields[12]);
    return { seconds: ticks / TICKS_A_SECOND, memoryBytes: Number(fields[21]) * PAGE_BYTES };
  } catch {
    return { seconds: 0, memoryBytes: 0 };
  }
}
