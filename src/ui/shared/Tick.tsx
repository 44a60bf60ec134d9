'use client';

interface TickProps {
  readonly label: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}

/** A choice that is on or off. */
export function Tick({ label, on, onChange }: TickProps) {
  return (
    <label className="flex items-center gap-2 py-1">
      <input
        type="checkbox"
        className="accent-leaf"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
