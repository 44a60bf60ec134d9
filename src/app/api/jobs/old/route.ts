import { respond } from '@/server/respond';
import { oldFiles } from '@/server/usecases/jobFiles';

/** What finished files would be deleted if they were kept for so many days. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () =>
    Response.json(await oldFiles(new URL(request.url).searchParams.get('days') ?? '')),
  );
}
