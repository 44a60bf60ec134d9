import { respond } from '@/server/respond';
import { deleteJobFiles } from '@/server/usecases/jobFiles';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Deletes the files of a job; the job stays, and can make them again. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await deleteJobFiles((await params).id);
    return Response.json({});
  });
}
