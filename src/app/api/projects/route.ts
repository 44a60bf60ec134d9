import { readJson, respond, respondWithTag } from '@/server/respond';
import { getProjects, startProject } from '@/server/usecases/projects';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getProjects()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await startProject(await readJson(request)) }, { status: 201 }),
  );
}
