import { readJson, respond } from '@/server/respond';
import { putInFolders } from '@/server/usecases/templates';

export function PUT(request: Request): Promise<Response> {
  return respond(request, async () => {
    await putInFolders(await readJson(request));
    return Response.json({});
  });
}
