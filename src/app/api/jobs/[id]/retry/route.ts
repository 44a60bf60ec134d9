import { respond } from '@/server/respond';
import { retryJob } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Queues a job that failed or was stopped again; what it had finished stays. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await retryJob((await params).id);
    return Response.json({});
  });
}
