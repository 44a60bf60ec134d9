// Serves the built application on this machine only, on the usual port or the next free one, and says where.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';

const USUAL_PORT = Number(process.env.PORT ?? 4400);
const root = join(import.meta.dirname, '..');

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

let port = USUAL_PORT;
while (!(await isFree(port))) port++;
if (port !== USUAL_PORT) console.log(`Port ${USUAL_PORT} is taken; using ${port}.`);

const next = join(root, 'node_modules', 'next', 'dist', 'bin', 'next');
const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
  cwd: root,
  // The server ends when the other end of its input is gone: a killed parent leaves no child.
  stdio: ['pipe', 'ignore', 'inherit'],
  env: {
    ...process.env,
    NODE_ENV: 'production',
    GILDER_PARENT: 'stdin',
    GILDER_URL: `http://127.0.0.1:${port}`,
  },
});
let ended = false;
server.on('exit', (code) => {
  ended = true;
  process.exit(code ?? 1);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));

const url = `http://127.0.0.1:${port}`;
while (!ended) {
  const up = await fetch(`${url}/shelf`).then(
    (response) => response.ok,
    () => false,
  );
  if (up) {
    console.log(`Gilder is at ${url}`);
    break;
  }
  await new Promise((resolve) => setTimeout(resolve, 100));
}
