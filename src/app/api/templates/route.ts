import { readJson, respond } from '@/server/respond';
import { getTemplates, startTemplate } from '@/server/usecases/templates';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await getTemplates()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await startTemplate(await readJson(request)) }, { status: 201 }),
  );
}
