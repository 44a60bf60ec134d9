'use client';
import { Radio, RadioGroup } from '@headlessui/react';
import { classes } from './classes';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly choices: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** A few choices side by side, one of which holds. */
export function Segmented<T extends string>({ label, value, choices, onChange }: Props<T>) {
  return (
    <RadioGroup
      aria-label={label}
      value={value}
      onChange={onChange}
      className="flex h-8 w-full overflow-hidden rounded-lg border border-line-strong bg-field"
    >
      {choices.map((choice) => (
        <Radio
          key={choice.value}
          value={choice.value}
          className={({ checked }) =>
            classes(
              'flex min-w-0 flex-1 cursor-pointer items-center justify-center border-r border-line-strong px-0.5 text-[12.5px] whitespace-nowrap last:border-r-0',
              'data-focus:outline-2 data-focus:-outline-offset-2 data-focus:outline-leaf',
              checked ? 'bg-chosen font-semibold text-on-chosen' : 'hover:bg-paper',
            )
          }
        >
          {choice.label}
        </Radio>
      ))}
    </RadioGroup>
  );
}
