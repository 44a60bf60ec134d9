import { refuseLarger, respond } from '@/server/respond';
import { getAssets, LARGEST_BYTES, takeInAsset } from '@/server/usecases/assets';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await getAssets()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, async () => {
    refuseLarger(request, LARGEST_BYTES, 'Picture');
    const name = new URL(request.url).searchParams.get('name') ?? 'picture';
    return Response.json(await takeInAsset(name, new Uint8Array(await request.arrayBuffer())), {
      status: 201,
    });
  });
}
