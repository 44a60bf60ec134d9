// Takes what Gilder tells when an order is over, if it comes from there, and says so:
// GILDER_KEY=gld_… npx tsx examples/receiver.ts 4700
import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import { text } from 'node:stream/consumers';

/** What is told: how an order ended. */
interface Told {
  readonly id: string;
  readonly status: string;
  readonly files: readonly { readonly name: string; readonly href: string }[];
}

const OLDEST_MS = 5 * 60 * 1000;

/** Listens on a port of this machine; what does not come from whom the key was made by is refused. */
export function receive(port: number, key: string, onTold: (told: Told) => void): Server {
  const secret = createHash('sha256').update(key).digest('hex');
  const server = createServer(async (request, response) => {
    const body = await text(request);
    const sent = String(request.headers['gilder-sent']);
    const proof = createHmac('sha256', secret).update(`${sent}\n${body}`).digest();
    const given = Buffer.from(String(request.headers['gilder-proof']), 'hex');
    // What is old may have been caught and sent again.
    const isNew = Math.abs(Date.now() - Date.parse(sent)) < OLDEST_MS;
    const isTrue = given.length === proof.length && timingSafeEqual(given, proof) && isNew;
    response.writeHead(isTrue ? 204 : 403).end();
    if (isTrue) onTold(JSON.parse(body));
  });
  return server.listen(port, '127.0.0.1');
}

const [, script = '', port = ''] = process.argv;
if (script.endsWith('receiver.ts')) {
  const say = ({ id, status, files }: Told): void =>
    console.log(`${id} is ${status}: ${files.map(({ name }) => name).join(', ')}`);
  receive(Number(port), process.env.GILDER_KEY ?? '', say);
}
