import { respondToClient } from '@/server/clients/respondToClient';
import { readJson } from '@/server/respond';
import { orderRender } from '@/server/usecases/clients';

/** Takes an order; the same one under the same Idempotency-Key once. */
export function POST(request: Request): Promise<Response> {
  return respondToClient(request, async (client) => {
    const id = await orderRender(client, await readJson(request), request.headers.get('idempotency-key'));
    return Response.json({ id }, { status: 201, headers: { Location: `/api/v1/renders/${id}` } });
  });
}
