import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { openDatabase } from '../db/open';
import { findTemplate } from '../db/templates';

/** A process that saves a template again and again, says each revision once it is saved, and is killed in the middle. */
function killedWriter(folder: string, killAfter: number): Promise<number> {
  // Without tsx's own launcher, which would be killed in the writer's place.
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/server/crashWriter.ts', folder], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, NODE_OPTIONS: '', TSX_TSCONFIG_PATH: 'tsconfig.json' },
  });
  let acknowledged = 0;
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.stdout.on('data', (chunk: Buffer) => {
      for (const line of chunk.toString().split('\n')) {
        if (line.startsWith('saved ')) acknowledged = Number(line.slice(6));
      }
      if (acknowledged >= killAfter) child.kill('SIGKILL');
    });
    child.on('exit', () => resolve(acknowledged));
  });
}

test('what was acknowledged survives kill -9, and the folder can be opened again at once', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'gilder-crash-'));
  let last = 0;
  for (const killAfter of [12, 40]) {
    last = await killedWriter(folder, killAfter);
    expect(last).toBeGreaterThanOrEqual(killAfter);
  }
  const { db, close } = await openDatabase(folder);
  const found = await findTemplate(db, 'crash');
  expect(found?.revision).toBeGreaterThanOrEqual(last);
  expect(found?.document.name).toBe(`Revision ${found?.revision}`);
  await close();
  rmSync(folder, { recursive: true });
});
