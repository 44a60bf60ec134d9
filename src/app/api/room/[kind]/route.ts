import { respond, respondWithTag } from '@/server/respond';
import { getThings, readKind } from '@/server/usecases/room';

interface Context {
  readonly params: Promise<{ readonly kind: string }>;
}

/** The largest things of a kind: those in use, or with `away` those out of the way. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const kind = readKind((await params).kind);
    const isAway = new URL(request.url).searchParams.has('away');
    return respondWithTag(request, await getThings(kind, isAway));
  });
}
