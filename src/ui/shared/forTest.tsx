import { render } from '@testing-library/react';
import type { AppRouterInstance } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { AppRouterContext } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { PathnameContext } from 'next/dist/shared/lib/hooks-client-context.shared-runtime';
import type { ReactNode } from 'react';

/** Draws a whole screen at its address; gives the list of where it went from there. */
export function renderScreen(path: string, screen: ReactNode): readonly string[] {
  const visited: string[] = [];
  const stay = (): void => undefined;
  const router = {
    push: (to: string) => void visited.push(to),
    replace: (to: string) => void visited.push(to),
    back: stay,
    forward: stay,
    refresh: stay,
    prefetch: stay,
  } as unknown as AppRouterInstance;
  render(
    <AppRouterContext value={router}>
      <PathnameContext value={path}>{screen}</PathnameContext>
    </AppRouterContext>,
  );
  return visited;
}

/** An answer of a server, as far as it is asked of; jsdom has none of its own. */
export const jsonAnswer = (status: number, body: unknown): Response =>
  ({ ok: status < 400, status, json: () => Promise.resolve(structuredClone(body)) }) as Response;

/** Locks as browsers have them, which jsdom has not; none is held yet. */
export function fakeLocks(): void {
  const held = new Set<string>();
  const request = (name: string, ...rest: unknown[]): Promise<unknown> => {
    const work = rest.at(-1) as (lock: object | null) => Promise<unknown>;
    if (rest.length > 1) return Promise.resolve(work(held.has(name) ? null : {}));
    held.add(name);
    return Promise.resolve(work({}));
  };
  Object.defineProperty(navigator, 'locks', { configurable: true, value: { request } });
}
