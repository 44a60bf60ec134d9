import { respond, respondWithTag } from '@/server/respond';
import { getEditions } from '@/server/usecases/templates';

/** Editions with their documents, by ids divided by commas. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => {
    const ids = new URL(request.url).searchParams.get('ids') ?? '';
    return respondWithTag(request, await getEditions(ids.split(',').filter((id) => id !== '')));
  });
}
