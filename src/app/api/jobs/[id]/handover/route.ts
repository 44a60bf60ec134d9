import { respond } from '@/server/respond';
import { handOverAgain } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await handOverAgain((await params).id);
    return Response.json({});
  });
}
