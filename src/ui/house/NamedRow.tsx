'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import type { ReactNode } from 'react';
import { NameBox } from '../shared/NameBox';

interface Props {
  readonly name: string;
  /** What the name is the name of, for those who hear it. */
  readonly label?: string;
  /** Whether it was just made: its name is what is typed next. */
  readonly isNew?: boolean;
  readonly onRename: (name: string) => void;
  readonly onRemove: () => void;
  /** What it is, and where it is used. */
  readonly children: ReactNode;
}

/** An entry of the House: its name to type, what it is, where it is used, and a way to remove it. */
export function NamedRow({
  name,
  label = `Name of ${name}`,
  isNew = false,
  onRename,
  onRemove,
  children,
}: Props) {
  return (
    <li className="grid grid-cols-[180px_180px_1fr_32px] items-center gap-3">
      <NameBox label={label} value={name} isNew={isNew} onChange={onRename} />
      {children}
      <button
        type="button"
        aria-label={`Remove ${name}`}
        className="grid h-8 w-8 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink"
        onClick={onRemove}
      >
        <TrashIcon className="h-4 w-4" />
      </button>
    </li>
  );
}
