'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { PlusIcon } from '@heroicons/react/24/outline';
import { useRef, useState } from 'react';
import type { Added } from '@/core/edit/addLayer';
import {
  addBackdrop,
  addBox,
  addCopy,
  addCredits,
  addGroup,
  addLight,
  addParticles,
  addPicture,
  addProgramme,
  addRows,
  addStack,
  inHouseColours,
} from '@/core/edit/addLayer';
import { addTextLine } from '@/core/edit/addTextLine';
import type { Template } from '@/core/model/template';
import { FilePicker } from '../../shared/FilePicker';
import { bringInPicture, PICTURE_TYPES, sayRefused } from '../../shared/assets';
import { useHouse } from '../../shared/useHouse';
import { useKeys } from '../../shared/useKeys';
import { focusSettings } from '../settings/focusSettings';
import { useAdd, useBench, useTemplate } from '../state/benchStore';

interface Choice {
  readonly label: string;
  readonly says: string;
  readonly make: (template: Template) => Added;
}

const KINDS: readonly Choice[] = [
  { label: 'Rows', says: 'a list of any length', make: addRows },
  { label: 'Credits', says: 'a roll, or cards', make: addCredits },
  { label: 'Box', says: 'any shape, of a size of its own', make: (now) => addBox(now, []) },
  { label: 'Background', says: 'plain or moving, over the frame', make: addBackdrop },
  { label: 'Programme picture', says: 'what lies below, smaller', make: addProgramme },
  { label: 'Light', says: 'seen on what lies below it', make: addLight },
  { label: 'Particles', says: 'specks that drift or burst', make: addParticles },
];

/** Adds a layer of any kind, alone or for the layers that are chosen. */
export function AddLayer() {
  const template = useTemplate();
  const addPlain = useAdd();
  const { colours } = useHouse();
  const add = (make: Choice['make']): void => addPlain((now) => inHouseColours(make(now), colours));
  const { selected, selection, type } = useBench();
  const button = useRef<HTMLButtonElement>(null);
  useKeys('a', () => {
    button.current?.focus();
    // As by the keyboard, so that the first of it is ready to be taken.
    button.current?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true }));
  });
  // Anew for each layer: what was typed to find the last one would be looked for again.
  const [added, setAdded] = useState(0);
  // The menu gives the focus back to its button before it goes where it is wanted.
  const then = (go: () => void): void =>
    void setTimeout(() => {
      setAdded((now) => now + 1);
      go();
    });
  const addText = (make: Choice['make']): void => {
    add(make);
    then(() => type(true));
  };
  const addOther = (make: Choice['make']): void => {
    add(make);
    then(focusSettings);
  };
  const file = useRef<HTMLInputElement>(null);
  const chosen = template.layers.find((layer) => layer.id === selected);
  const bringIn = async (picked: File): Promise<void> => {
    try {
      const asset = await bringInPicture(picked);
      add((now) => addPicture(now, asset));
    } catch (error) {
      sayRefused(error);
    }
  };
  const texts = template.layers.flatMap(({ kind, id }) => (kind === 'text' ? [id] : []));
  const round: Choice[] =
    chosen === undefined
      ? []
      : [
          ...(selection.length === 1 && texts.length > 1
            ? [
                {
                  label: `Panel round all ${texts.length} texts`,
                  says: 'encloses what is typed',
                  make: (now: Template) => addBox(now, texts),
                },
              ]
            : []),
          {
            label:
              selection.length > 1
                ? `Panel round ${selection.length} layers`
                : `Panel round “${chosen.name}”`,
            says: 'encloses what is typed',
            make: (now) => addBox(now, selection),
          },
          {
            label: `Linked copy of “${chosen.name}”`,
            says: 'follows it, has its own place',
            make: (now) => addCopy(now, chosen.id),
          },
          ...(selection.length > 1
            ? [
                {
                  label: `Group of ${selection.length}`,
                  says: 'Ctrl+G',
                  make: (now: Template) => addGroup(now, selection),
                },
                {
                  label: `Stack of ${selection.length}`,
                  says: 'closes up',
                  make: (now: Template) => addStack(now, selection),
                },
              ]
            : []),
        ];
  return (
    <>
      <Menu key={added}>
        <MenuButton
          ref={button}
          title="Add a layer (A)"
          className="inline-flex h-8 items-center gap-1.5 rounded-lg border border-line-strong bg-field px-3 font-semibold"
        >
          <PlusIcon className="h-4 w-4" /> Layer
        </MenuButton>
        <MenuItems
          anchor={{ to: 'top end', gap: 6 }}
          className="z-40 w-80 rounded-xl border border-line-strong bg-card p-1"
        >
          <Item
            label="Text"
            says="words that editors can change"
            onClick={() => addText((now) => addTextLine(now, selected))}
          />
          {KINDS.map((choice) => (
            <Item
              key={choice.label}
              label={choice.label}
              says={choice.says}
              onClick={() => addOther(choice.make)}
            />
          ))}
          <Item label="Picture…" says="PNG, JPEG, WebP or SVG" onClick={() => file.current?.click()} />
          {round.length > 0 && <div role="separator" className="my-1 border-t border-line" />}
          {round.map((choice) => (
            <Item
              key={choice.label}
              label={choice.label}
              says={choice.says}
              onClick={() => addOther(choice.make)}
            />
          ))}
        </MenuItems>
      </Menu>
      <FilePicker
        input={file}
        accept={PICTURE_TYPES}
        label="Picture to import as a layer"
        onPick={(picked) => void bringIn(picked)}
      />
    </>
  );
}

interface ItemProps {
  readonly label: string;
  readonly says: string;
  readonly onClick: () => void;
}

function Item({ label, says, onClick }: ItemProps) {
  return (
    <MenuItem>
      <button
        type="button"
        onClick={onClick}
        className="flex w-full items-baseline justify-between gap-3 rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash"
      >
        <span className="truncate">{label}</span>
        <span className="shrink-0 text-[12px] text-soft">{says}</span>
      </button>
    </MenuItem>
  );
}
