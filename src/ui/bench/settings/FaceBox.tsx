'use client';
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronUpDownIcon } from '@heroicons/react/24/outline';
import { FACES } from '@/core/faces/faces';
import { titleFamily } from '../../picture/useFonts';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string) => void;
}

/** The faces, each shown in itself, with the scripts that it covers. */
export function FaceBox({ label, value, choices, onChange }: Props) {
  const current = choices.find((choice) => choice.value === value);
  return (
    <Listbox value={value} onChange={onChange}>
      <ListboxButton
        aria-label={`${label}: ${current?.label ?? value}`}
        className="flex h-8 w-full items-center justify-between rounded-lg border border-line-strong bg-field px-2.5 text-left"
      >
        <span className="truncate">{current?.label ?? value}</span>
        <ChevronUpDownIcon className="h-4 w-4 text-soft" />
      </ListboxButton>
      <ListboxOptions
        anchor={{ to: 'bottom start', gap: 6 }}
        className="z-40 w-72 rounded-xl border border-line-strong bg-card p-1"
      >
        {choices.map((choice) => (
          <ListboxOption
            key={choice.value}
            value={choice.value}
            className="flex cursor-pointer items-baseline justify-between gap-3 rounded-lg px-3 py-1.5 data-focus:bg-leaf-wash data-selected:font-semibold"
          >
            <span className="truncate text-[17px]" style={{ fontFamily: `"${titleFamily(choice.value)}"` }}>
              {choice.label}
            </span>
            <span className="shrink-0 text-[12px] text-soft">
              {FACES.find(choice.value)?.scripts.join(', ') ?? ''}
            </span>
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
