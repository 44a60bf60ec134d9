import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import type { Browser } from '@playwright/test';

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Starts the browser that screens are measured in. */
export function startBrowser(): Promise<Browser> {
  const args = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
  ];
  return chromium.launch({ executablePath: CHROMIUM, args });
}

export interface RunningServer {
  readonly url: string;
  /** How long it took until it answered. */
  readonly seconds: number;
  stop(): Promise<void>;
}

/** Starts the built application on a data folder. */
export async function start(folder: string): Promise<RunningServer> {
  const from = performance.now();
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, GILDER_DATA: folder, PORT: '4970' },
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /Gilder is at (\S+)/.exec(chunk.toString());
      if (found !== null) resolve(found[1]);
    });
  });
  return {
    url,
    seconds: (performance.now() - from) / 1000,
    stop: () =>
      new Promise((resolve) => {
        child.on('exit', () => resolve());
        child.kill('SIGTERM');
      }),
  };
}

/** Runs work with a data folder of its own, which is taken away afterwards. */
export async function withFolder(work: (folder: string) => Promise<void>): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'gilder-bench-'));
  try {
    await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
