import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';

export interface LockFigures {
  readonly rounds: number;
  readonly problems: readonly string[];
}

const AT_ONCE = 4;

/** Rounds in which four processes want one folder at once, that of one that was killed; exactly one may have it. */
export async function attackLocks(root: string, rounds: number): Promise<LockFigures> {
  const folder = join(root, 'locked');
  mkdirSync(folder, { recursive: true });
  const script = join(root, 'lock.mjs');
  await build({
    stdin: {
      contents: `import { lockFolder } from './src/db/folderLock';
        lockFolder(process.argv[2]).then(
          () => { console.log('mine'); setInterval(() => undefined, 1000); },
          (error) => console.log(error.name));`,
      resolveDir: process.cwd(),
      loader: 'ts',
    },
    outfile: script,
    bundle: true,
    platform: 'node',
    format: 'esm',
  });
  const problems: string[] = [];
  for (let i = 0; i < rounds; i++) {
    writeFileSync(join(folder, 'gilder.lock'), '{"pid":1,"url":null}');
    const tries = Array.from({ length: AT_ONCE }, () => spawn(process.execPath, [script, folder]));
    const words = await Promise.all(tries.map(firstWord));
    const had = words.filter((word) => word === 'mine').length;
    if (had !== 1) problems.push(`round ${i}: ${words.join(', ')}`);
    await Promise.all(tries.map(killed));
  }
  return { rounds, problems };
}

function firstWord(child: ChildProcess): Promise<string> {
  return new Promise((resolve) =>
    child.stdout?.once('data', (chunk: Buffer) => resolve(chunk.toString().trim())),
  );
}

function killed(child: ChildProcess): Promise<unknown> {
  if (child.exitCode !== null) return Promise.resolve();
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGKILL');
  return gone;
}
