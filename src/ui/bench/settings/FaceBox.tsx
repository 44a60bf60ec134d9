'use client';
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ArrowUpTrayIcon, ChevronUpDownIcon } from '@heroicons/react/24/outline';
import { useDropzone } from 'react-dropzone';
import { FACES } from '@/core/faces/faces';
import { faceChoices } from '@/core/layers/properties';
import { bringInFonts } from '../../picture/bringInFonts';
import { titleFamily } from '../../picture/fontStore';
import { useFonts } from '../../picture/useFonts';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

// No face has this id: ids come from names.
const IMPORT = ' import';

/** The faces, each shown in itself, with the scripts that it covers; others are brought in as files. */
export function FaceBox({ label, value, onChange }: Props) {
  // What can be chosen is what is here; it changes when somebody brings a font in.
  useFonts();
  const { getRootProps, getInputProps, open } = useDropzone({
    onDrop: (files) => void bringInFonts(files),
    noClick: true,
    noKeyboard: true,
  });
  const choices = faceChoices(value);
  const current = choices.find((choice) => choice.value === value);
  return (
    // Font files can be dropped on it as well.
    <div {...getRootProps()}>
      <input {...getInputProps({ 'aria-label': 'Font files' })} />
      <Listbox value={value} onChange={(next) => (next === IMPORT ? open() : onChange(next))}>
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
          <ListboxOption
            value={IMPORT}
            className="flex cursor-pointer items-center gap-2 border-t border-line px-3 py-1.5 data-focus:bg-leaf-wash"
          >
            <ArrowUpTrayIcon className="h-4 w-4" /> Import fonts…
          </ListboxOption>
        </ListboxOptions>
      </Listbox>
    </div>
  );
}
