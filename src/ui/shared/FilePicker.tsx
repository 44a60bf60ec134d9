'use client';
import type { RefObject } from 'react';

interface Props {
  /** Clicked by whatever opens the picker. */
  readonly input: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onPick: (file: File) => void;
}

/** Asks for one file; the same file can be chosen again. */
export function FilePicker({ input, label, accept, onPick }: Props) {
  return (
    <input
      ref={input}
      type="file"
      accept={accept}
      className="hidden"
      aria-label={label}
      onChange={(event) => {
        const [picked] = event.target.files ?? [];
        if (picked !== undefined) onPick(picked);
        event.target.value = '';
      }}
    />
  );
}
