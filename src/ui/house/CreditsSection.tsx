'use client';
import { useState } from 'react';
import { creditRules } from '@/core/model/house';
import { FigureRow } from './FigureRow';
import type { SectionProps } from './HouseScreen';

/** What credits have to keep to. */
export function CreditsSection({ house, onChange }: SectionProps) {
  const rules = creditRules(house);
  const set = (change: Partial<typeof rules>): void => onChange({ credits: { ...rules, ...change } });
  return (
    <>
      <FigureRow
        label="A line is seen"
        unit="s"
        min={0.5}
        max={30}
        step={0.1}
        about="at least, from coming into the picture to going out"
        value={rules.lineSeconds}
        onChange={(lineSeconds) => set({ lineSeconds })}
      />
      <FigureRow
        label="Pictures"
        unit="%"
        min={0.5}
        max={50}
        step={0.5}
        about="of the picture’s height, at least, for marks in a row"
        value={rules.pictureShare * 100}
        onChange={(value) => set({ pictureShare: value / 100 })}
      />
      <Required value={rules.required} onChange={(required) => set({ required })} />
    </>
  );
}

interface RequiredProps {
  readonly value: readonly string[];
  readonly onChange: (value: readonly string[]) => void;
}

/** What has to be said, one a line; what is typed is kept as it is until it is left. */
function Required({ value, onChange }: RequiredProps) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <label className="grid gap-1 py-3">
      <span className="font-semibold">Has to be said</span>
      <span className="text-soft">One a line; credits without it are told, capitals or not.</span>
      <textarea
        aria-label="What credits have to say"
        dir="auto"
        rows={5}
        maxLength={12_000}
        value={typed ?? value.join('\n')}
        placeholder={'Channel Osier\nThe Ferry Wardens'}
        onChange={(event) => {
          setTyped(event.target.value);
          const lines = event.target.value.split('\n').map((line) => line.trim().slice(0, 200));
          onChange(lines.filter((line) => line !== '').slice(0, 60));
        }}
        onBlur={() => setTyped(null)}
        className="w-96 rounded-lg border border-line-strong bg-field p-2"
      />
    </label>
  );
}
