'use client';
import type { ReactNode } from 'react';
import { EditingContextProvider, useEditingState } from './useEditing';

/** Gives the parts of the bench what is chosen and how to change it. Belongs inside the bench's own provider. */
export function EditingProvider({ children }: { readonly children: ReactNode }) {
  return <EditingContextProvider value={useEditingState()}>{children}</EditingContextProvider>;
}
