import { receiveAndTakeIn } from '@/server/incoming/receiveAndTakeIn';
import { respond, respondWithTag } from '@/server/respond';
import { getAssets, LARGEST_BYTES, takeInAsset } from '@/server/usecases/assets';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getAssets()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, () => receiveAndTakeIn(request, 'picture', LARGEST_BYTES, takeInAsset));
}
