import { readId, respond } from '@/server/respond';
import { fontFile, putFontInUse, removeFont } from '@/server/usecases/fonts';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => fontFile(request, readId((await params).id, 'font')));
}

export function PUT(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await putFontInUse(readId((await params).id, 'font'));
    return Response.json({});
  });
}

export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    await removeFont(readId((await params).id, 'font'));
    return Response.json({});
  });
}
