import { readJson, respond } from '@/server/respond';
import { release } from '@/server/usecases/templates';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () =>
    Response.json({ edition: await release((await params).id, await readJson(request)) }),
  );
}
