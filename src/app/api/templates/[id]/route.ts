import { readJson, respond, respondWithTag } from '@/server/respond';
import { getTemplate, putTemplate } from '@/server/usecases/templates';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getTemplate((await params).id)));
}

export function PUT(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () =>
    Response.json({ revision: await putTemplate((await params).id, await readJson(request)) }),
  );
}
