import { respond } from '@/server/respond';
import { jobFile } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string; readonly name: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const { id, name } = await params;
    const query = new URL(request.url).searchParams;
    const show = query.has('rest') ? 'rest' : query.has('inline') ? 'inline' : 'download';
    return jobFile(request, id, name, show);
  });
}
