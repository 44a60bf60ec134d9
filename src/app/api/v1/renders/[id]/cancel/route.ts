import { respondToClient } from '@/server/clients/respondToClient';
import { renderState } from '@/server/usecases/clients';
import { cancelJob } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Stops an order that waits or is being made. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return respondToClient(request, async (client) => {
    const { id } = await renderState(client, (await params).id);
    await cancelJob(id);
    return Response.json({});
  });
}
