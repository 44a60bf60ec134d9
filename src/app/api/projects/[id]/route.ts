import { readJson, respond, respondWithTag } from '@/server/respond';
import { getProject, putSettings } from '@/server/usecases/projects';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getProject((await params).id)));
}

export function PUT(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await putSettings((await params).id, await readJson(request));
    return new Response(null, { status: 204 });
  });
}
