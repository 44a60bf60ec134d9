import { readId, respond } from '@/server/respond';
import { assetFile } from '@/server/usecases/assets';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => assetFile(request, readId((await params).id, 'picture')));
}
