import { render } from '@testing-library/react';
import { PathnameContext } from 'next/dist/shared/lib/hooks-client-context.shared-runtime';
import type { ReactNode } from 'react';

/** Draws a whole screen at its address. */
export function renderScreen(path: string, screen: ReactNode): ReturnType<typeof render> {
  return render(<PathnameContext value={path}>{screen}</PathnameContext>);
}

/** An answer of a server, as far as it is asked of; jsdom has none of its own. */
export const jsonAnswer = (status: number, body: unknown): Response =>
  ({ ok: status < 400, status, json: () => Promise.resolve(structuredClone(body)) }) as Response;
