import { readJson, respond } from '@/server/respond';
import { getClients, makeClient } from '@/server/usecases/clients';

/** The systems that may order. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await getClients()));
}

/** Makes a key, which is told this once. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json(await makeClient(await readJson(request)), {
      status: 201,
      headers: { 'Cache-Control': 'no-store' },
    }),
  );
}
