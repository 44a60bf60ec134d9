'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { PlusIcon } from '@heroicons/react/24/outline';
import Link from 'next/link';
import { useDesk } from './deskContext';

/** Places a title at the playhead, from any template on the shelf. */
export function AddTitle({ onAdd }: { readonly onAdd: (editionId: string) => void }) {
  const { newest } = useDesk();
  return (
    <Menu>
      <MenuButton className="inline-flex h-8 items-center gap-1.5 rounded-lg border border-line-strong bg-field px-3 font-semibold">
        <PlusIcon className="h-4 w-4" /> Title
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom start', gap: 6 }}
        className="z-40 max-h-80 w-60 rounded-xl border border-line-strong bg-card p-1"
      >
        {[...newest.values()].map((edition) => (
          <MenuItem key={edition.id}>
            <button
              type="button"
              onClick={() => onAdd(edition.id)}
              className="flex w-full justify-between rounded-lg px-3 py-2 text-left data-focus:bg-leaf-wash"
            >
              <span>{edition.document.name}</span>
              <span className="text-soft">edition {edition.number}</span>
            </button>
          </MenuItem>
        ))}
        {newest.size === 0 && (
          <MenuItem>
            <Link href="/bench" className="block rounded-lg px-3 py-2 data-focus:bg-leaf-wash">
              The shelf is empty: design a template first
            </Link>
          </MenuItem>
        )}
      </MenuItems>
    </Menu>
  );
}
