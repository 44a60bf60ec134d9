import { NextResponse } from 'next/server';
import { contentPolicy } from '@/server/contentPolicy';
import { isLoopback } from '@/server/loopback';

// Large bodies go to the routes, which this step would hold up and cut; they look at the host themselves.
export const config = { matcher: '/((?!api/).*)' };

// What pages load: no documents, and workers take their own rules from their own address.
const LOADED = /^\/(_next|fonts|workers)\//;

/** Runs before every page: answers on this machine only, with a policy for what the page may load and run. */
export function proxy(request: Request): Response {
  const host = request.headers.get('host') ?? '';
  if (!isLoopback(host)) {
    const message = `Gilder answers on this machine only, not as "${host}".`;
    return Response.json({ message }, { status: 403 });
  }
  if (LOADED.test(new URL(request.url).pathname)) return NextResponse.next();
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce, process.env.NODE_ENV === 'development');
  const headers = new Headers(request.headers);
  // Next puts the nonce that it finds here on every script of the page.
  headers.set('Content-Security-Policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  return response;
}
