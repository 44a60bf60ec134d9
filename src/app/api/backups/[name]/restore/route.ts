import { respond } from '@/server/respond';
import { restore } from '@/server/usecases/backups';

interface Context {
  readonly params: Promise<{ readonly name: string }>;
}

/** Puts everything back as a backup has it; what is there now is backed up first. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => Response.json({ before: await restore((await params).name) }));
}
