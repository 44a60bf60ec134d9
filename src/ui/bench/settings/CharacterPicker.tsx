'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState } from 'react';
import type { NamedCharacter } from '@/core/text/characters';
import { CHARACTER_GROUPS, findCharacters } from '@/core/text/characters';

/** Any character by name or code, and the ones that titles often need by a click. */
export function CharacterPicker({ onPick }: { readonly onPick: (character: string) => void }) {
  const [looked, setLooked] = useState('');
  const found = looked.trim() === '' ? null : findCharacters(looked);
  return (
    <Popover className="relative">
      <PopoverButton className="rounded-md px-1 font-semibold text-leaf-ink">Ω Character</PopoverButton>
      <PopoverPanel
        anchor={{ to: 'bottom start', gap: 6 }}
        className="z-40 max-h-80 w-72 overflow-y-auto rounded-xl border border-line-strong bg-card p-3"
      >
        {({ close }) => {
          const pick = (character: string): void => {
            onPick(character);
            close();
          };
          return (
            <>
              <input
                aria-label="Look for a character"
                placeholder="dash, arrow, U+2022 …"
                value={looked}
                autoFocus
                onChange={(event) => setLooked(event.target.value)}
                onKeyDown={(event) => {
                  if (event.key === 'Enter' && found?.[0] !== undefined) pick(found[0].character);
                }}
                className="mb-2 h-8 w-full rounded-lg border border-line-strong bg-field px-2.5"
              />
              {found === null ? (
                CHARACTER_GROUPS.map((group) => (
                  <div key={group.label} className="pb-2">
                    <p className="caps pb-1">{group.label}</p>
                    <Grid list={group.list} onPick={pick} />
                  </div>
                ))
              ) : found.length > 0 ? (
                <Grid list={found} onPick={pick} />
              ) : (
                <p className="text-soft">Nothing of that name. Try a code such as U+2042.</p>
              )}
            </>
          );
        }}
      </PopoverPanel>
    </Popover>
  );
}

interface GridProps {
  readonly list: readonly NamedCharacter[];
  readonly onPick: (character: string) => void;
}

function Grid({ list, onPick }: GridProps) {
  return (
    <div className="grid grid-cols-8 gap-1">
      {list.map(({ character, name }) => (
        <button
          key={character}
          type="button"
          aria-label={name}
          title={name}
          onClick={() => onPick(character)}
          className="grid h-7 place-items-center rounded-md border border-line bg-field text-[15px] hover:bg-leaf-wash"
        >
          {character}
        </button>
      ))}
    </div>
  );
}
