import type { ChildProcess, Serializable } from 'node:child_process';
import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { InputError } from '@/core/kit/inputError';
import type { Opened } from './refusedFile';

/** What opening one file may cost. */
export interface OpeningLimits {
  /** Of one processor, so that a busy machine refuses nothing that a quiet one takes. */
  readonly seconds: number;
  readonly memoryBytes: number;
}

interface Guarded {
  /** The bundle of the process, in `dist`. */
  readonly script: string;
  /** What is opened, with its article. */
  readonly what: string;
  readonly limits: OpeningLimits;
  /** What to do about one that costs too much. */
  readonly advice: string;
}

const LOOK_EVERY_MS = 40;
// Linux counts a process's time in hundredths of a second (sysconf(_SC_CLK_TCK)) and its memory in pages.
const TICKS_A_SECOND = 100;
const PAGE_BYTES = 4096;

/** Opens files from outside in a process of its own, one after the other. */
export class GuardedProcess<Task extends Serializable & object, T> {
  private idle: ChildProcess | null = null;
  private turn: Promise<unknown> = Promise.resolve();

  constructor(private readonly of: Guarded) {}

  /**
   * A file as it was opened. Throws InputError with the reason for one that is refused, takes too long or needs too much
   * memory.
   */
  open(task: Task, where: string, limits: OpeningLimits = this.of.limits): Promise<T> {
    const mine = this.turn.then(() => this.openNow(task, where, limits));
    this.turn = mine.catch(() => undefined);
    return mine;
  }

  /** Ends the process that waits for the next file. */
  stop(): void {
    this.idle?.kill('SIGKILL');
    this.idle = null;
  }

  private async openNow(task: Task, where: string, limits: OpeningLimits): Promise<T> {
    const child = this.idle ?? (await this.start());
    this.idle = null;
    const answer = await this.ask(child, task, where, limits);
    this.idle = child;
    if (answer.type === 'opened') return answer.file;
    throw new InputError([{ where, ...answer.refusal }]);
  }

  private start(): Promise<ChildProcess> {
    // Kept from bundlers, which would try to follow the path.
    const file = [process.cwd(), 'dist', this.of.script];
    const child = fork(join(...file), [process.cwd()], {
      serialization: 'advanced',
      execArgv: [],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    return new Promise((resolve, reject) => {
      child.once('error', reject);
      child.once('exit', (code) => reject(new Error(`${this.of.script} ended at once (${code})`)));
      child.once('message', () => {
        child.removeAllListeners();
        child.once('exit', () => {
          if (this.idle === child) this.idle = null;
        });
        // A process that waits keeps nobody alive.
        child.unref();
        child.channel?.unref();
        resolve(child);
      });
    });
  }

  private ask(child: ChildProcess, task: Task, where: string, limits: OpeningLimits): Promise<Opened<T>> {
    const { what, advice } = this.of;
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
          reject(InputError.of(where, expected, got, advice));
        });
      const watch = setInterval(() => {
        const cost = costOf(child.pid);
        if (cost.seconds - before > limits.seconds)
          refuse(`${what} that opens within ${limits.seconds} s`, 'one that takes longer');
        else if (cost.memoryBytes > limits.memoryBytes)
          refuse(`${what} that opens in ${Math.round(limits.memoryBytes / 1e6)} MB`, 'one that needs more');
      }, LOOK_EVERY_MS);
      const answered = (answer: Opened<T>): void => end(() => resolve(answer));
      const ended = (): void =>
        end(() => reject(InputError.of(where, `${what} that can be opened`, 'one that ends the reader')));
      child.on('message', answered).on('exit', ended);
      child.send(task);
    });
  }
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
