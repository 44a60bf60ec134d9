'use client';
import { useState } from 'react';
import { Button } from './Button';

interface Props {
  readonly label: string;
  readonly placeholder: string;
  /** What its button says. */
  readonly action?: string;
  /** Names that are there already; to have one twice is told, not refused. */
  readonly taken?: readonly string[];
  readonly onKeep: (name: string) => void;
}

/** Keeps something under a name. */
export function KeepForm({ label, placeholder, action = 'Keep', taken = [], onKeep }: Props) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const isTaken = taken.some((one) => one.toLowerCase() === name.toLowerCase());
  return (
    <form
      className="flex flex-wrap gap-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (name === '') return;
        onKeep(name);
        setTyped('');
      }}
    >
      <input
        aria-label={label}
        placeholder={placeholder}
        value={typed}
        maxLength={60}
        onChange={(event) => setTyped(event.target.value)}
        className="h-8 min-w-0 flex-1 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <Button look="plain" type="submit" disabled={name === ''}>
        {action}
      </Button>
      {isTaken && (
        <p role="status" className="w-full text-[12px] text-leaf-ink">
          There is one called “{name}” already.
        </p>
      )}
    </form>
  );
}
