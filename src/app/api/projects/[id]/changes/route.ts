import { readJson, respond } from '@/server/respond';
import { putChanges } from '@/server/usecases/projects';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () =>
    Response.json(await putChanges((await params).id, await readJson(request))),
  );
}
