import { readId, respond } from '@/server/respond';
import { fontUses } from '@/server/usecases/fonts';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => Response.json(await fontUses(readId((await params).id, 'font'))));
}
