import { execFileSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';

/** A PostgreSQL server of one's own, on this machine only. */
export interface TestPostgres {
  /** A new, empty database on it. */
  newDatabase(name: string): string;
  stop(): void;
}

const DEBIAN = '/usr/lib/postgresql';

/** Where the server's programs lie: Debian keeps them out of the path, by version. */
function programs(): string {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN).map(Number).filter(Number.isFinite) : [];
  if (versions.length === 0)
    throw new Error('There is no PostgreSQL here: install the Debian package postgresql');
  return join(DEBIAN, String(Math.max(...versions)), 'bin');
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer().once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address !== null ? address.port : 0));
    });
  });
}

/** Starts a server whose data lie in a folder of its own; it is told to keep nothing through a power cut. */
export async function startPostgres(): Promise<TestPostgres> {
  const bin = programs();
  const folder = mkdtempSync(join(tmpdir(), 'gilder-postgres-'));
  const port = await freePort();
  // It refuses to run as root.
  const isRoot = userInfo().uid === 0;
  const run = (program: string, ...args: string[]): void => {
    const command = [join(bin, program), ...args];
    const [file, ...rest] = isRoot ? ['runuser', '-u', 'postgres', '--', ...command] : command;
    execFileSync(file, rest, { stdio: ['ignore', 'ignore', 'pipe'], cwd: folder });
  };
  if (isRoot) execFileSync('chown', ['postgres', folder]);
  chmodSync(folder, 0o755);
  const data = join(folder, 'data');
  run('initdb', '-D', data, '-U', 'gilder', '-A', 'trust', '-E', 'UTF8', '--no-locale', '--no-sync');
  const options = `-p ${port} -k ${folder} -c listen_addresses=127.0.0.1 -c fsync=off -c max_connections=400`;
  run('pg_ctl', '-D', data, '-o', options, '-l', join(folder, 'log'), '-w', 'start');
  const url = (name: string): string => `postgres://gilder@127.0.0.1:${port}/${name}`;
  return {
    newDatabase(name) {
      run('createdb', '-h', '127.0.0.1', '-p', String(port), '-U', 'gilder', name);
      return url(name);
    },
    stop() {
      run('pg_ctl', '-D', data, '-m', 'immediate', '-w', 'stop');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
