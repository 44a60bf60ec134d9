import { respondToClient } from '@/server/clients/respondToClient';
import { renderState } from '@/server/usecases/clients';
import { jobFile } from '@/server/usecases/jobs';

interface Context {
  readonly params: Promise<{ readonly id: string; readonly name: string }>;
}

/** A finished file of an order. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respondToClient(request, async (client) => {
    const { id, name } = await params;
    await renderState(client, id);
    return jobFile(request, id, name, 'download');
  });
}
