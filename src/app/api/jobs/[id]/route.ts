import { respond, respondWithTag } from '@/server/respond';
import { getJob } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getJob((await params).id)));
}
