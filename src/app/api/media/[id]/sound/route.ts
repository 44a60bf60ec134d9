import { respond } from '@/server/respond';
import { getSoundPeaks } from '@/server/usecases/media';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const peaks = await getSoundPeaks((await params).id);
    return new Response(Uint8Array.from(peaks), {
      headers: {
        'content-type': 'application/octet-stream',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
}
