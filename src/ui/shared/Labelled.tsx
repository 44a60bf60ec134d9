'use client';
import type { ReactNode } from 'react';

/** A row of a dialog: a word and its control. */
export function Labelled({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="grid grid-cols-[96px_1fr] items-center gap-2">
      <span className="text-soft">{label}</span>
      <span>{children}</span>
    </div>
  );
}
