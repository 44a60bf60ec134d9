'use client';
import { useEffect, useState } from 'react';
import type { Backdrop } from './paintBackdrop';
import { backdropOf, loadBackdrop } from './paintBackdrop';

/** The backdrop with a given id; it is another object once its still has come. */
export function useBackdrop(id: string): Backdrop {
  const [known, setKnown] = useState(() => ({ id, backdrop: backdropOf(id) }));
  if (known.id !== id) setKnown({ id, backdrop: backdropOf(id) });
  useEffect(() => {
    let current = true;
    loadBackdrop(id).then(
      () =>
        current &&
        setKnown((now) => (now.backdrop.kind === 'still' ? { id, backdrop: backdropOf(id) } : now)),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [id]);
  return known.backdrop;
}
