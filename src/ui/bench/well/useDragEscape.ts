'use client';
import { useEffect } from 'react';

/** Escape takes a drag back while there is one. */
export function useDragEscape(isDragging: boolean, takeBack: () => void): void {
  useEffect(() => {
    if (!isDragging) return;
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape') return;
      event.preventDefault();
      event.stopPropagation();
      takeBack();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [isDragging, takeBack]);
}
