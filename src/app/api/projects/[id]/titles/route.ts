import { readJson, respond } from '@/server/respond';
import { putTitles } from '@/server/usecases/projects';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () =>
    Response.json({ revisions: await putTitles((await params).id, await readJson(request)) }),
  );
}
