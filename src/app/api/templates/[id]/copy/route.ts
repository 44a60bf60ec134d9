import { respond } from '@/server/respond';
import { copyTemplate } from '@/server/usecases/templates';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await copyTemplate((await params).id) }, { status: 201 }),
  );
}
