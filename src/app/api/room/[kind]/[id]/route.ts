import { readJson, respond } from '@/server/respond';
import { deleteForGood, getUses, putAway, readKind } from '@/server/usecases/room';

interface Context {
  readonly params: Promise<{ readonly kind: string; readonly id: string }>;
}

/** What uses a thing. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const { kind, id } = await params;
    return Response.json(await getUses(readKind(kind), id));
  });
}

/** Sets a thing aside, deletes it, or brings it back. */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const { kind, id } = await params;
    await putAway(readKind(kind), id, await readJson(request));
    return Response.json({});
  });
}

/** Deletes a thing for good. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return respond(request, async () => {
    const { kind, id } = await params;
    await deleteForGood(readKind(kind), id);
    return Response.json({});
  });
}
