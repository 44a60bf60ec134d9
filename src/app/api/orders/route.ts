import { readJson, respond } from '@/server/respond';
import { orderJobs } from '@/server/usecases/jobs';

/** Several orders at once, all or none: deliveries of a project in several kinds of file. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json({ ids: await orderJobs(await readJson(request)) }, { status: 201 }),
  );
}
