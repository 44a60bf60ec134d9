import { isLoopback } from '@/server/loopback';

/** Runs before every page and route: answers on this machine only. */
export function proxy(request: Request): Response | undefined {
  const host = request.headers.get('host') ?? '';
  if (isLoopback(host)) return undefined;
  return Response.json(
    { message: `Gilder answers on this machine only, not as "${host}".` },
    { status: 403 },
  );
}
