import { respond, respondWithTag } from '@/server/respond';
import { getRoom } from '@/server/usecases/room';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getRoom()));
}
