import { receiveAndTakeIn } from '@/server/incoming/receiveAndTakeIn';
import { respond } from '@/server/respond';
import { getVideos, LARGEST_VIDEO_BYTES, takeInVideo } from '@/server/usecases/media';

export const dynamic = 'force-dynamic';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(await getVideos()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, () => receiveAndTakeIn(request, 'video', LARGEST_VIDEO_BYTES, takeInVideo));
}
