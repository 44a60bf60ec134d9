import { respond } from '@/server/respond';
import { mediaFile } from '@/server/usecases/media';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => mediaFile(request, (await params).id));
}
