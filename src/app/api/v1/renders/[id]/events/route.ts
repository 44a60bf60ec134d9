import { respondToClient } from '@/server/clients/respondToClient';
import { eventStream } from '@/server/eventStream';
import { stateOf } from '@/server/clients/stateOf';
import { renderState } from '@/server/usecases/clients';
import { workshop } from '@/server/workshop';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** How an order stands, now and at every change (server-sent events). */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respondToClient(request, async (client) => {
    const now = await renderState(client, (await params).id);
    const { press } = await workshop();
    return eventStream(request, (send) => {
      send(now);
      return press.subscribe((job) => job.id === now.id && send(stateOf(job)));
    });
  });
}
