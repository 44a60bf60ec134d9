import { respondToClient } from '@/server/clients/respondToClient';
import { renderState } from '@/server/usecases/clients';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** How an order stands. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respondToClient(request, async (client) =>
    Response.json(await renderState(client, (await params).id)),
  );
}
