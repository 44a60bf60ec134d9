import { respond } from '@/server/respond';
import { missingOutputs } from '@/server/usecases/jobs';

/** The kinds of file that this machine cannot make. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => Response.json(missingOutputs()));
}
