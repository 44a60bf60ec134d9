import { readJson, respond } from '@/server/respond';
import { previewOrders } from '@/server/usecases/jobs';

/** What orders would come to; nothing is sent. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await previewOrders(await readJson(request))));
}
