'use client';
import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly maxLength?: number;
  /** Whether it takes the focus, all of it chosen, as it appears. */
  readonly isNew?: boolean;
  readonly className?: string;
}

const FIELD = 'h-8 rounded-lg border border-line-strong bg-field px-2.5';

/** A name that something always has: an emptied box waits for another, and shows the old one when it is left. */
export function NameBox({ label, value, onChange, maxLength = 60, isNew = false, className = FIELD }: Props) {
  const [blank, setBlank] = useState<string | null>(null);
  const type = (next: string): void => {
    const named = next.trim() !== '';
    setBlank(named ? null : next);
    if (named) onChange(next);
  };
  return (
    <input
      aria-label={label}
      value={blank ?? value}
      maxLength={maxLength}
      dir="auto"
      autoFocus={isNew}
      onFocus={(event) => isNew && event.target.select()}
      onChange={(event) => type(event.target.value)}
      onBlur={() => setBlank(null)}
      className={className}
    />
  );
}
