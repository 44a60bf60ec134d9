import { eventStream } from '@/server/eventStream';
import { respond } from '@/server/respond';
import { workshop } from '@/server/workshop';

export const dynamic = 'force-dynamic';

/** Tells every change of a job as it happens (server-sent events). */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => {
    const { press } = await workshop();
    return eventStream(request, (send) => press.subscribe(send));
  });
}
