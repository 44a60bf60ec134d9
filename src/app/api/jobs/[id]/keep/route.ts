import { readJson, respond } from '@/server/respond';
import { keepJobFiles } from '@/server/usecases/jobFiles';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Says whether the files of a job are kept however old they get. */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await keepJobFiles((await params).id, await readJson(request));
    return Response.json({});
  });
}
