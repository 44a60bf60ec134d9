import { readJson, respond, respondWithTag } from '@/server/respond';
import { getTemplateDocuments, getTemplates, startTemplate } from '@/server/usecases/templates';

/** All templates as a list tells of them, or with `documents` whole. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => {
    const whole = new URL(request.url).searchParams.has('documents');
    return respondWithTag(request, whole ? await getTemplateDocuments() : await getTemplates());
  });
}

export function POST(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json({ id: await startTemplate(await readJson(request)) }, { status: 201 }),
  );
}
