import { respond, respondWithTag } from '@/server/respond';
import { getShelf } from '@/server/usecases/templates';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getShelf()));
}
