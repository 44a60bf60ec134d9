import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { FolderInUseError, lockFolder } from './folderLock';

const all = mkdtempSync(join(tmpdir(), 'gilder-lock-'));
afterAll(() => rmSync(all, { recursive: true }));

let folders = 0;
const folder = (): string => {
  const at = join(all, String((folders += 1)));
  mkdirSync(at);
  return at;
};

test('is held until it is given back, under whatever name the folder is asked for', async () => {
  const at = folder();
  const unlock = await lockFolder(at);
  await expect(lockFolder(at)).rejects.toThrow(FolderInUseError);
  symlinkSync(at, `${at}-link`);
  await expect(lockFolder(`${at}-link`)).rejects.toThrow(FolderInUseError);
  unlock();
  expect(existsSync(join(at, 'gilder.lock'))).toBe(false);
  (await lockFolder(at))();
});

test('says where the one that has it answers', async () => {
  const at = folder();
  process.env.GILDER_URL = 'http://127.0.0.1:4400';
  const unlock = await lockFolder(at);
  delete process.env.GILDER_URL;
  await expect(lockFolder(at)).rejects.toMatchObject({ url: 'http://127.0.0.1:4400' });
  unlock();
});

test('what a process that is gone left lying about locks nothing', async () => {
  const at = folder();
  writeFileSync(join(at, 'gilder.lock'), 'half a li');
  (await lockFolder(at))();
});

/** Processes that try at once; gives how many had it, each of which is killed. */
async function race(at: string, count: number): Promise<number> {
  const code = `import('./src/db/folderLock.ts').then(({ lockFolder }) => lockFolder(process.argv[1]))
    .then(() => { console.log('mine'); setInterval(() => {}, 1000); }, () => { console.log('not'); process.exit(0); });`;
  const said = Array.from({ length: count }, () => {
    const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code, at], {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, NODE_OPTIONS: '', TSX_TSCONFIG_PATH: 'tsconfig.json' },
    });
    const word = new Promise<string>((resolve) =>
      child.stdout.once('data', (chunk: Buffer) => resolve(chunk.toString().trim())),
    );
    return { child, word };
  });
  const words = await Promise.all(said.map(({ word }) => word));
  const gone = said.map(
    ({ child }) =>
      new Promise((resolve) => (child.exitCode === null ? child.once('exit', resolve) : resolve(null))),
  );
  said.forEach(({ child }) => child.kill('SIGKILL'));
  await Promise.all(gone);
  return words.filter((word) => word === 'mine').length;
}

test('of processes that start at once exactly one has it, and killing it frees the folder', async () => {
  const at = folder();
  for (let round = 0; round < 3; round++) expect(await race(at, 4)).toBe(1);
  (await lockFolder(at))();
});
