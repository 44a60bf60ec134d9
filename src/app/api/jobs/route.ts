import { readJson, respond } from '@/server/respond';
import { getPress, orderJob } from '@/server/usecases/jobs';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await getPress()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await orderJob(await readJson(request)) }, { status: 201 }),
  );
}
