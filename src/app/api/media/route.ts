import { receiveAndTakeIn } from '@/server/incoming/receiveAndTakeIn';
import { respond } from '@/server/respond';
import { LARGEST_VIDEO_BYTES, takeInVideo } from '@/server/usecases/media';

export function POST(request: Request): Promise<Response> {
  return respond(request, () => receiveAndTakeIn(request, 'video', LARGEST_VIDEO_BYTES, takeInVideo));
}
