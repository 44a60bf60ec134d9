import { respond } from '@/server/respond';
import { getEditionsOf } from '@/server/usecases/templates';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => Response.json(await getEditionsOf((await params).id)));
}
