import { respond, respondWithTag } from '@/server/respond';
import { getProject } from '@/server/usecases/projects';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getProject((await params).id)));
}
