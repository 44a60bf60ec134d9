import { respondToClient } from '@/server/clients/respondToClient';
import { clientTemplates } from '@/server/usecases/clients';

/** The released templates. */
export function GET(request: Request): Promise<Response> {
  return respondToClient(request, async () => Response.json(await clientTemplates()));
}
