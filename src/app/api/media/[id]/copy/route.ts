import { respond } from '@/server/respond';
import { getCopyState } from '@/server/usecases/media';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => Response.json(await getCopyState((await params).id)));
}
