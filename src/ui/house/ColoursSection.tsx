'use client';
import { PlusIcon, TrashIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { usesOf } from '@/core/document/houseChanges';
import { Button } from '../shared/Button';
import { ColourBox } from '../shared/ColourBox';
import type { SectionProps } from './HouseScreen';
import { Uses } from './uses';

const MOST = 64;

/** The named colours; a template has one of them wherever it has exactly that colour. */
export function ColoursSection({ house, templates, onChange }: SectionProps) {
  const { colours } = house;
  const set = (id: string, change: Partial<(typeof colours)[number]>): void =>
    onChange({ colours: colours.map((one) => (one.id === id ? { ...one, ...change } : one)) });
  return (
    <>
      <p className="pb-3 text-soft">
        Offered wherever a colour is chosen. A template refers to one wherever it has exactly that colour.
      </p>
      <ul className="grid gap-2">
        {colours.map((colour) => (
          <li key={colour.id} className="grid grid-cols-[180px_170px_1fr_32px] items-center gap-3">
            <input
              aria-label={`Name of ${colour.name}`}
              value={colour.name}
              maxLength={60}
              onChange={(event) => event.target.value !== '' && set(colour.id, { name: event.target.value })}
              className="h-8 rounded-lg border border-line-strong bg-field px-2.5"
            />
            <ColourBox
              label={colour.name}
              value={colour.colour}
              onChange={(next) => set(colour.id, { colour: next })}
            />
            <Uses templates={templates} count={(template) => usesOf(template, 'colour', colour.colour)} />
            <button
              type="button"
              aria-label={`Remove ${colour.name}`}
              className="grid h-8 w-8 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink"
              onClick={() => onChange({ colours: colours.filter(({ id }) => id !== colour.id) })}
            >
              <TrashIcon className="h-4 w-4" />
            </button>
          </li>
        ))}
      </ul>
      <div className="pt-3">
        <Button
          disabled={colours.length >= MOST}
          onClick={() =>
            onChange({ colours: [...colours, { id: nanoid(8), name: 'New colour', colour: '#808080' }] })
          }
        >
          <PlusIcon className="h-4 w-4" /> Add a colour
        </Button>
      </div>
    </>
  );
}
