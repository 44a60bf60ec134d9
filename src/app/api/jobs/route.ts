import { readId, readJson, respond, respondWithTag } from '@/server/respond';
import { getPress, orderJob } from '@/server/usecases/jobs';

/** A page of jobs: the newest, or those before the job named by `before`. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => {
    const before = new URL(request.url).searchParams.get('before');
    return respondWithTag(request, await getPress(before === null ? undefined : readId(before, 'job')));
  });
}

export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await orderJob(await readJson(request)) }, { status: 201 }),
  );
}
