import type { Server } from '@tus/server';
import { createUploads } from '@/server/incoming/uploads';
import { respond } from '@/server/respond';
import { workshop } from '@/server/workshop';

export const dynamic = 'force-dynamic';

let uploads: Promise<Server> | null = null;

function handle(request: Request): Promise<Response> {
  return respond(request, async () => {
    uploads ??= workshop().then(({ incomingFolder }) => createUploads(incomingFolder));
    return (await uploads).handleWeb(request);
  });
}

export { handle as DELETE, handle as HEAD, handle as OPTIONS, handle as PATCH, handle as POST };
