import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcessByStdio } from 'node:child_process';
import type { Readable, Writable } from 'node:stream';

type EncoderProcess = ChildProcessByStdio<Writable, null, Readable>;

let found: boolean | null = null;

/** Whether ffmpeg and ffprobe are on this machine; asked until they are found, and then never again. */
export function hasFfmpeg(): boolean {
  if (found !== true)
    found = ['ffmpeg', 'ffprobe'].every(
      (name) => spawnSync(name, ['-version'], { stdio: 'ignore' }).status === 0,
    );
  return found;
}

let encoders: ReadonlySet<string> | null = null;

/** The encoders that this machine's ffmpeg has, by name; null without ffmpeg. Asked once. */
export function ffmpegEncoders(): ReadonlySet<string> | null {
  if (encoders === null && hasFfmpeg()) {
    const { stdout } = spawnSync('ffmpeg', ['-hide_banner', '-encoders'], { encoding: 'utf8' });
    // Such as ` V....D libx264    words`; what stands above the list ends its first word with a letter of its own.
    const lines = stdout.matchAll(/^ [VAS][.A-Z]{5} (\S+)/gm);
    encoders = new Set([...lines].map(([, name]) => name));
  }
  return encoders;
}

// A large picture takes a second or two; a machine under load some more.
const PATIENCE_MS = 180_000;

/** An ffmpeg that frames are written to. */
export class FfmpegFeed {
  private readonly process: EncoderProcess;
  private readonly ended: Promise<void>;
  private said = '';

  /** `patienceMs`: how long it may take nothing, or take to end, before it is given up. */
  constructor(
    args: readonly string[],
    private readonly patienceMs = PATIENCE_MS,
  ) {
    this.process = spawn('ffmpeg', ['-v', 'error', '-y', ...args], { stdio: ['pipe', 'ignore', 'pipe'] });
    this.process.stderr.on('data', (chunk: Buffer) => {
      this.said = (this.said + chunk.toString()).slice(-2000);
    });
    // A broken pipe shows up as the exit code, with ffmpeg's own words.
    this.process.stdin.on('error', () => undefined);
    this.ended = new Promise((resolve, reject) => {
      this.process.on('error', reject);
      this.process.on('close', (code) =>
        code === 0
          ? resolve()
          : reject(new Error(`The encoder ended with code ${code}: ${this.said.trim()}`)),
      );
    });
    this.ended.catch(() => undefined);
  }

  /** Resolves once the bytes may be overwritten. */
  async write(bytes: Buffer): Promise<void> {
    const taken = new Promise<void>((resolve, reject) => {
      this.process.stdin.write(bytes, (error) =>
        error ? this.ended.then(() => reject(error), reject) : resolve(),
      );
    });
    await this.within(taken, 'took no picture');
  }

  /** Resolves when the file is complete. */
  async finish(): Promise<void> {
    this.process.stdin.end();
    await this.within(this.ended, 'did not end');
  }

  /** Waits for it, but ends an encoder that hangs. */
  private async within(done: Promise<void>, what: string): Promise<void> {
    let timer: NodeJS.Timeout | undefined;
    const hangs = new Promise<never>((_, reject) => {
      timer = setTimeout(() => {
        this.process.kill('SIGKILL');
        const seconds = Math.round(this.patienceMs / 1000);
        reject(new Error(`The encoder ${what} for ${seconds} s and was given up. Try again.`));
      }, this.patienceMs);
    });
    try {
      await Promise.race([done, hangs]);
    } finally {
      clearTimeout(timer);
    }
  }

  async abort(): Promise<void> {
    this.process.kill('SIGKILL');
    await this.ended.catch(() => undefined);
  }
}

/** Runs a tool to its end and gives what it wrote to standard output. */
export async function runTool(name: 'ffmpeg' | 'ffprobe', args: readonly string[]): Promise<Buffer> {
  const child = spawn(name, ['-v', 'error', ...args], { stdio: ['ignore', 'pipe', 'pipe'] });
  const out: Buffer[] = [];
  let said = '';
  child.stdout.on('data', (chunk: Buffer) => out.push(chunk));
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  await new Promise<void>((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`${name} ended with code ${code}: ${said.trim()}`)),
    );
  });
  return Buffer.concat(out);
}
