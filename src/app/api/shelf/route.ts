import { respond } from '@/server/respond';
import { getShelf } from '@/server/usecases/templates';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await getShelf()));
}
