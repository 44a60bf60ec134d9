import { respond } from '@/server/respond';
import { backUp } from '@/server/usecases/backups';

/** Makes a backup now. */
export function POST(request: Request): Promise<Response> {
  return respond(request, async () => Response.json({ name: await backUp() }, { status: 201 }));
}
