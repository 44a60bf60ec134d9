'use client';
import { Select } from '@headlessui/react';
import { classes } from './classes';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
  readonly className?: string;
  readonly disabled?: boolean;
}

/** One of many choices, as the platform shows them. */
export function SelectBox<T extends string>({
  label,
  value,
  choices,
  onChange,
  className,
  disabled = false,
}: Props<T>) {
  return (
    <Select
      aria-label={label}
      value={value}
      disabled={disabled}
      onChange={(event) => {
        const chosen = choices.find((choice) => choice.value === event.target.value);
        if (chosen !== undefined) onChange(chosen.value);
      }}
      className={classes('h-8 w-full min-w-0 rounded-lg border border-line-strong bg-field px-2', className)}
    >
      {choices.map((choice) => (
        <option key={choice.value} value={choice.value}>
          {choice.label}
        </option>
      ))}
    </Select>
  );
}
