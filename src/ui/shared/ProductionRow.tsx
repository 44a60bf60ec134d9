'use client';
import { useId } from 'react';
import { Labelled } from './Labelled';

interface Props {
  readonly value: string;
  /** The productions that there are, to be offered. */
  readonly productions?: readonly string[];
  readonly onChange: (value: string) => void;
}

/** The production that something belongs to, in a row of a form. */
export function ProductionRow({ value, productions = [], onChange }: Props) {
  const list = useId();
  return (
    <Labelled label="Production">
      <input
        aria-label="Production"
        value={value}
        maxLength={80}
        list={list}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 w-full rounded-lg border border-line-strong bg-field px-2.5"
      />
      <datalist id={list}>
        {productions.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
    </Labelled>
  );
}
