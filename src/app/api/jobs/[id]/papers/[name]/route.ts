import { respond } from '@/server/respond';
import { jobPaper } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string; readonly name: string }>;
}

/** What goes beside a job's files: captions as a file, or a timeline that refers to its files. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const { id, name } = await params;
    return jobPaper(id, name);
  });
}
