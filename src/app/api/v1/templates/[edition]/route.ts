import { respondToClient } from '@/server/clients/respondToClient';
import { clientTemplate } from '@/server/usecases/clients';

interface Context {
  readonly params: Promise<{ readonly edition: string }>;
}

/** A released template with what can be filled into it. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respondToClient(request, async () => Response.json(await clientTemplate((await params).edition)));
}
