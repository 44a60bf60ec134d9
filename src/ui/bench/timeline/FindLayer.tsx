'use client';
import { useRef } from 'react';
import type { Layer } from '@/core/model/template';
import { useKeys } from '../../shared/useKeys';
import { useBench } from '../state/benchStore';
import { HEAD_PX } from './scoreScale';

interface Props {
  readonly wanted: string;
  readonly onWant: (wanted: string) => void;
  /** The layers that are found, the nearest to the viewer first. */
  readonly found: readonly Layer[];
}

/** Shows only layers that are called something, or say it: Enter chooses the first, Escape shows all again. */
export function FindLayer({ wanted, onWant, found }: Props) {
  const { select } = useBench();
  const box = useRef<HTMLInputElement>(null);
  useKeys(
    'mod+f',
    (event) => {
      event.preventDefault();
      box.current?.focus();
      box.current?.select();
    },
    { enableOnFormTags: true },
  );
  return (
    <div className="sticky top-0 left-0 z-30 h-0" style={{ width: HEAD_PX }}>
      <input
        ref={box}
        type="search"
        aria-label="Find a layer"
        placeholder="Find a layer"
        title="Find a layer (Ctrl or Cmd + F)"
        value={wanted}
        onChange={(event) => onWant(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onWant('');
          if (event.key === 'Enter' && found.length > 0) select(found[0].id);
        }}
        className="h-6 w-full -outline-offset-2 border-r border-b border-line bg-card px-3.5 text-[12px] placeholder:text-soft"
      />
    </div>
  );
}
