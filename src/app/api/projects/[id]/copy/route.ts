import { respond } from '@/server/respond';
import { copyProject } from '@/server/usecases/projects';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await copyProject((await params).id) }, { status: 201 }),
  );
}
