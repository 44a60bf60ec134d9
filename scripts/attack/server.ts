import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';

/** A server that is attacked: its process, its address and its data folder. */
export interface AttackedServer {
  readonly url: string;
  readonly folder: string;
  readonly child: ChildProcess;
  /** What it wrote to standard error, the end of it. */
  said(): string;
}

const PAGE_BYTES = 4096;

/** A port that is free now. */
function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address !== null ? address.port : 0));
    });
  });
}

/** Starts the built server on a folder, without waiting for it. */
export async function launch(folder: string): Promise<AttackedServer> {
  const port = await freePort();
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, PORT: String(port), GILDER_DATA: folder, GILDER_UPKEEP: 'off' },
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-4000)));
  return { url: `http://127.0.0.1:${port}`, folder, child, said: () => said };
}

/** Waits until a server answers. Throws when it ends, or does not answer within two minutes. */
export async function untilUp(server: AttackedServer): Promise<void> {
  for (const end = Date.now() + 120_000; Date.now() < end;) {
    if (server.child.exitCode !== null) throw new Error(`The server ended: ${server.said()}`);
    const up = await fetch(`${server.url}/api/projects`).then(
      (response) => response.ok,
      () => false,
    );
    if (up) return;
    await pause(50);
  }
  throw new Error(`The server did not answer: ${server.said()}`);
}

/** Starts a server and waits until it answers. */
export async function start(folder: string): Promise<AttackedServer> {
  const server = await launch(folder);
  await untilUp(server);
  return server;
}

/** Ends a server with a signal and waits until it is gone. */
export async function end(server: AttackedServer, signal: NodeJS.Signals): Promise<void> {
  if (server.child.exitCode !== null || server.child.signalCode !== null) return;
  const gone = new Promise((resolve) => server.child.once('exit', resolve));
  server.child.kill(signal);
  await gone;
}

export const pause = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

/** The memory that a process holds, in bytes. */
export function residentBytes(pid: number | undefined): number {
  const [, pages] = readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ');
  return Number(pages) * PAGE_BYTES;
}

/** The processes that were started for a data folder; a server's command line says its title instead. */
export function processesOf(folder: string): number[] {
  return readdirSync('/proc')
    .map(Number)
    .filter((pid) => pid > 0 && pid !== process.pid)
    .filter((pid) => {
      try {
        return readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`GILDER_DATA=${folder}\0`);
      } catch {
        return false;
      }
    });
}
