'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { HexColorInput, HexColorPicker } from 'react-colorful';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** Colours to choose from by one click. */
  readonly swatches?: readonly { readonly value: string; readonly label: string }[];
}

/** A colour: a swatch that opens a picker, and its hex figure to type. */
export function ColourBox({ label, value, onChange, swatches = [] }: Props) {
  return (
    <div className="flex w-full min-w-0 items-center gap-2">
      <Popover className="relative shrink-0">
        <PopoverButton
          aria-label={`${label}: ${value}, choose`}
          className="block h-7 w-7 rounded-lg border border-line-strong"
          style={{ background: value }}
        />
        <PopoverPanel
          anchor={{ to: 'bottom start', gap: 6 }}
          className="z-40 rounded-xl border border-line-strong bg-card p-3"
        >
          <HexColorPicker color={value} onChange={onChange} />
          {swatches.length > 0 && (
            <div className="mt-3 flex gap-2">
              {swatches.map((swatch) => (
                <button
                  key={swatch.value}
                  type="button"
                  aria-label={swatch.label}
                  title={swatch.label}
                  onClick={() => onChange(swatch.value)}
                  className="h-7 w-7 rounded-lg border border-line-strong"
                  style={{ background: swatch.value }}
                />
              ))}
            </div>
          )}
        </PopoverPanel>
      </Popover>
      <HexColorInput
        aria-label={`${label}, hex`}
        prefixed
        color={value}
        onChange={onChange}
        className="h-8 w-full min-w-0 rounded-lg border border-line-strong bg-field px-2.5 font-mono text-[12.5px]"
      />
    </div>
  );
}
