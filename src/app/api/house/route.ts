import { readJson, respond, respondWithTag } from '@/server/respond';
import { getHouse, putHouse } from '@/server/usecases/house';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getHouse()));
}

export function PUT(request: Request): Promise<Response> {
  return respond(request, async () => Response.json({ revision: await putHouse(await readJson(request)) }));
}
