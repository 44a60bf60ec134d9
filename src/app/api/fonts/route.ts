import { receiveAndTakeIn } from '@/server/incoming/receiveAndTakeIn';
import { respond, respondWithTag } from '@/server/respond';
import { getFonts, LARGEST_FONT_BYTES, takeInFontFile } from '@/server/usecases/fonts';

export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, await getFonts()));
}

export function POST(request: Request): Promise<Response> {
  return respond(request, () => receiveAndTakeIn(request, 'font', LARGEST_FONT_BYTES, takeInFontFile));
}
