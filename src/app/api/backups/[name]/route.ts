import { respond } from '@/server/respond';
import { backupFile, dropBackup } from '@/server/usecases/backups';

interface Context {
  readonly params: Promise<{ readonly name: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => backupFile(request, (await params).name));
}

export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await dropBackup((await params).name);
    return Response.json({});
  });
}
