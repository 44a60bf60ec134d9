import { eventStream } from '@/server/eventStream';
import { respond } from '@/server/respond';
import { workshop } from '@/server/workshop';

export const dynamic = 'force-dynamic';

/** Tells of new editions, of changed projects and of the house style as it happens (server-sent events). */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => {
    const { news } = await workshop();
    return eventStream(request, (send) => news.subscribe(send));
  });
}
