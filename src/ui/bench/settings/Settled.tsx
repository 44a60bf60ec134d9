'use client';
import { useDeferredValue, useState } from 'react';
import type { FocusEvent, ReactNode } from 'react';
import { EditingContextProvider, useEditing } from '../state/useEditing';

/**
 * Settings that may follow a change a moment later, so that a drag in the picture or typing beside them does not wait
 * until every row has been drawn again. While one of them is used it keeps up at once. What is inside must take the
 * template from useEditing, and be memoised.
 */
export function Settled({ children }: { readonly children: ReactNode }) {
  const editing = useEditing();
  const later = useDeferredValue(editing);
  const [used, setUsed] = useState(false);
  const leave = (event: FocusEvent<HTMLDivElement>): void => {
    if (!event.currentTarget.contains(event.relatedTarget)) setUsed(false);
  };
  return (
    <div onFocus={() => setUsed(true)} onBlur={leave}>
      <EditingContextProvider value={used ? editing : later}>{children}</EditingContextProvider>
    </div>
  );
}
