import { refuseLarger, respond } from '@/server/respond';
import { LARGEST_VIDEO_BYTES, takeInVideo } from '@/server/usecases/media';

export function POST(request: Request): Promise<Response> {
  return respond(request, async () => {
    refuseLarger(request, LARGEST_VIDEO_BYTES, 'Video');
    const name = new URL(request.url).searchParams.get('name') ?? 'video';
    return Response.json(await takeInVideo(name, request.body), { status: 201 });
  });
}
