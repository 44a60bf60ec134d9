import { respond } from '@/server/respond';
import { templatePackage } from '@/server/usecases/packages';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => templatePackage((await params).id));
}
