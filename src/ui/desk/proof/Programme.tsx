'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Look } from './FindingItem';

const ProgrammeChart = dynamic(() => import('./ProgrammeChart').then((module) => module.ProgrammeChart), {
  ssr: false,
});

/** How much there is to read over the whole programme, once it is asked for. */
export function Programme({ onLook }: { readonly onLook: Look }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="pt-3" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="caps cursor-pointer">The programme</summary>
      {open && <ProgrammeChart onLook={onLook} />}
    </details>
  );
}
