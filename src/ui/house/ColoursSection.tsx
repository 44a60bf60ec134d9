'use client';
import { PlusIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { usesOf } from '@/core/model/houseChanges';
import { Button } from '../shared/Button';
import { ColourBox } from '../shared/ColourBox';
import type { SectionProps } from './HouseScreen';
import { NamedRow } from './NamedRow';
import { asInForce, Uses } from './uses';

const MOST = 64;

/** The named colours; a template has one of them wherever it has exactly that colour. */
export function ColoursSection({ house, inForce, templates, onChange }: SectionProps) {
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
          <NamedRow
            key={colour.id}
            name={colour.name}
            onRename={(name) => set(colour.id, { name })}
            onRemove={() => onChange({ colours: colours.filter(({ id }) => id !== colour.id) })}
          >
            <ColourBox
              label={colour.name}
              value={colour.colour}
              onChange={(next) => set(colour.id, { colour: next })}
            />
            <Uses
              templates={templates}
              count={(template) => usesOf(template, 'colour', asInForce(inForce.colours, colour).colour)}
            />
          </NamedRow>
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
