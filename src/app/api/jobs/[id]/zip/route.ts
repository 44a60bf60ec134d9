import { respond } from '@/server/respond';
import { jobZip } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** All finished files of a job in one zip. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => jobZip((await params).id));
}
