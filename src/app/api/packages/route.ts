import { refuseLarger, respond } from '@/server/respond';
import { LARGEST_PACKAGE, takeInPackage } from '@/server/usecases/packages';

export function POST(request: Request): Promise<Response> {
  return respond(request, async () => {
    refuseLarger(request, LARGEST_PACKAGE, 'Package');
    const name = new URL(request.url).searchParams.get('name') ?? 'package';
    return Response.json(await takeInPackage(name, new Uint8Array(await request.arrayBuffer())), {
      status: 201,
    });
  });
}
