import { respond } from '@/server/respond';
import { spreadFinish } from '@/server/usecases/house';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Puts the finish anew on all templates that use it, save the one named by `except`. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const except = new URL(request.url).searchParams.get('except');
    return Response.json({ changed: await spreadFinish((await params).id, except) });
  });
}
