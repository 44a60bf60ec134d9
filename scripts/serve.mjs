// Serves the built application on this machine only, on the usual port or the next free one, and says where.
import { createServer } from 'node:http';
import { createServer as createProbe } from 'node:net';
import { join } from 'node:path';

const USUAL_PORT = Number(process.env.PORT ?? 4400);
const HOST = '127.0.0.1';
const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createProbe();
    probe.once('error', () => resolve(false));
    probe.listen(port, HOST, () => probe.close(() => resolve(true)));
  });

/** Why a request is refused before anything looks at it: a status and words; null for one that can be understood. */
function refusalOf({ method, url }) {
  if (!METHODS.has(method)) return [405, `There is no ${String(method).slice(0, 20)} here.`];
  try {
    if (decodeURIComponent(url).includes('\0'))
      return [400, 'The address has a character that none may have.'];
  } catch {
    return [400, 'The address is malformed: a % begins two hexadecimal digits of UTF-8.'];
  }
  return null;
}

let port = USUAL_PORT;
while (!(await isFree(port))) port++;
if (port !== USUAL_PORT) console.log(`Port ${USUAL_PORT} is taken; using ${port}.`);
const url = `http://${HOST}:${port}`;

// Read when Next is loaded, and by whoever wants to know where this Gilder answers.
process.env.NODE_ENV = 'production';
process.env.GILDER_URL = url;
const { default: next } = await import('next');
const app = next({ dev: false, dir: join(import.meta.dirname, '..'), hostname: HOST, port });
const handle = app.getRequestHandler();
await app.prepare();

const server = createServer((request, response) => {
  const refusal = refusalOf(request);
  if (refusal === null) return void handle(request, response);
  const [status, message] = refusal;
  response.writeHead(status, {
    'Content-Type': 'application/json',
    'X-Content-Type-Options': 'nosniff',
    Connection: 'close',
  });
  response.end(JSON.stringify({ message }));
});
// A large file may take as long as it takes; one whose head does not come is still cut off.
server.requestTimeout = 0;
await new Promise((resolve) => server.listen(port, HOST, resolve));
// The first request opens the data folder; without it the process ends and says why.
await fetch(`${url}/api/projects`);
console.log(`Gilder is at ${url}`);
