import { respond } from '@/server/respond';
import { withdraw } from '@/server/usecases/clients';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await withdraw((await params).id);
    return Response.json({});
  });
}
