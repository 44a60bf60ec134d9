'use client';
import { Switch } from '@headlessui/react';

interface Props {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (value: boolean) => void;
}

/** On or off. */
export function SwitchBox({ label, value, onChange }: Props) {
  return (
    <Switch
      aria-label={label}
      checked={value}
      onChange={onChange}
      className="group relative inline-flex h-5 w-9 shrink-0 items-center rounded-full border border-line-strong bg-paper data-checked:border-chosen data-checked:bg-chosen"
    >
      <span className="ml-0.5 h-3.5 w-3.5 rounded-full bg-ink-soft transition-transform group-data-checked:translate-x-4 group-data-checked:bg-on-chosen motion-reduce:transition-none" />
    </Switch>
  );
}
