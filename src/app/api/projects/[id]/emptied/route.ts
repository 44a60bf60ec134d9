import { respond } from '@/server/respond';
import { seeEmptied } from '@/server/usecases/projects';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Forgets which sample words became empty: somebody has seen the list. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await seeEmptied((await params).id);
    return Response.json({});
  });
}
