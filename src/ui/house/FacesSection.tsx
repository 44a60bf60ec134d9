'use client';
import { PlusIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { faceUses } from '@/core/model/houseChanges';
import { FACES } from '@/core/faces/faces';
import { titleFamily } from '../picture/fontStore';
import { useFonts } from '../picture/useFonts';
import { Button } from '../shared/Button';
import { SelectBox } from '../shared/SelectBox';
import { FallbackOrder } from './fonts/FallbackOrder';
import { OwnFonts } from './fonts/OwnFonts';
import type { SectionProps } from './HouseScreen';
import { NamedRow } from './NamedRow';
import { asInForce, Uses } from './uses';

/** The faces by what they are for. Changing one changes every text that is set in it. */
export function FacesSection({ house, inForce, templates, onChange }: SectionProps) {
  // So that the names below are set in the faces themselves.
  useFonts();
  const { faces } = house;
  const set = (id: string, change: Partial<(typeof faces)[number]>): void =>
    onChange({ faces: faces.map((one) => (one.id === id ? { ...one, ...change } : one)) });
  return (
    <>
      <p className="pb-3 text-soft">
        What each font is for. Another font here takes the place of this one in every template that is set in
        it.
      </p>
      <ul className="grid gap-2">
        {faces.map((face) => (
          <NamedRow
            key={face.id}
            name={face.name}
            label={`What ${face.name} is for`}
            onRename={(name) => set(face.id, { name })}
            onRemove={() => onChange({ faces: faces.filter(({ id }) => id !== face.id) })}
          >
            <SelectBox
              label={`Font for ${face.name}`}
              value={face.face}
              onChange={(id) => set(face.id, { face: id })}
              choices={FACES.list.map(({ id, label }) => ({ value: id, label }))}
            />
            <span className="min-w-0">
              <span className="block truncate text-[17px]" style={{ fontFamily: titleFamily(face.face) }}>
                Ilse Marrow, Osier Reach
              </span>
              <Uses
                templates={templates}
                count={(template) => faceUses(template, asInForce(inForce.faces, face).face)}
              />
            </span>
          </NamedRow>
        ))}
      </ul>
      <div className="pt-3">
        <Button
          disabled={faces.length >= 40}
          onClick={() =>
            onChange({ faces: [...faces, { id: nanoid(8), name: 'Another use', face: FACES.list[0].id }] })
          }
        >
          <PlusIcon className="h-4 w-4" /> Add a use
        </Button>
      </div>
      <FallbackOrder
        fallbacks={house.fallbacks ?? []}
        onChange={(fallbacks) => onChange({ fallbacks: fallbacks.length === 0 ? undefined : fallbacks })}
      />
      <OwnFonts />
    </>
  );
}
