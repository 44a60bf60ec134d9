'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { EllipsisVerticalIcon } from '@heroicons/react/24/outline';
import { useState } from 'react';
import type { Away, ThingUses } from '@/contract/room';
import { Button } from './Button';
import type { Thing } from './keptThings';
import { putThingAway, sayAway, usersInWords, usesOfThing } from './keptThings';
import { Modal } from './Modal';

interface Props {
  readonly thing: Thing;
  /** Called when the thing went out of the way or came back. */
  readonly onChange: () => void;
  readonly className?: string;
  /** What else can be done with it, above the rest. */
  readonly more?: readonly MenuAction[];
}

interface MenuAction {
  readonly label: string;
  readonly note: string;
  onChoose(): void;
}

const ITEM =
  'flex w-full items-baseline justify-between gap-4 rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash';

/** What can become of a thing: set aside, or deleted, which asks first when something uses it. */
export function ThingMenu({ thing, onChange, className = '', more = [] }: Props) {
  const [uses, setUses] = useState<ThingUses | null>(null);
  const put = async (away: Away): Promise<void> => {
    setUses(null);
    if (!(await putThingAway(thing, away))) return;
    onChange();
    sayAway(thing, away, onChange);
  };
  const askToDelete = async (): Promise<void> => {
    const found = await usesOfThing(thing).catch(() => ({ names: [], count: 0 }));
    if (found.count === 0) await put('deleted');
    else setUses(found);
  };
  return (
    <>
      <Menu>
        <MenuButton
          aria-label={`What to do with ${thing.name}`}
          className={`grid h-8 w-8 place-items-center rounded-lg hover:bg-paper ${className}`}
        >
          <EllipsisVerticalIcon className="h-5 w-5" />
        </MenuButton>
        <MenuItems
          anchor={{ to: 'bottom end', gap: 4 }}
          className="z-40 w-72 rounded-xl border border-line-strong bg-card p-1"
        >
          {more.map(({ label, note, onChoose }) => (
            <MenuItem key={label}>
              <button type="button" className={ITEM} onClick={onChoose}>
                {label} <span className="text-[12px] text-soft">{note}</span>
              </button>
            </MenuItem>
          ))}
          <MenuItem>
            <button type="button" className={ITEM} onClick={() => void put('aside')}>
              Set aside <span className="text-[12px] text-soft">kept, out of the way</span>
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" className={ITEM} onClick={() => void askToDelete()}>
              Delete <span className="text-[12px] text-soft">can be brought back for 30 days</span>
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
      <Modal
        title={`Delete “${thing.name}”?`}
        open={uses !== null}
        onClose={() => setUses(null)}
        foot={
          <>
            <Button onClick={() => setUses(null)}>Cancel</Button>
            <Button look="gold" onClick={() => void put('deleted')}>
              Delete
            </Button>
          </>
        }
      >
        <p>
          {uses === null ? '' : `It is in use by ${usersInWords(uses)}.`} What uses it keeps it; it is only no
          longer offered. For good it can be deleted once nothing uses it.
        </p>
      </Modal>
    </>
  );
}
