'use client';
import { Radio, RadioGroup } from '@headlessui/react';
import { FilmIcon } from '@heroicons/react/24/outline';
import type { FormEvent } from 'react';
import { useEffect, useId, useState } from 'react';
import type { ThingUses } from '@/contract/room';
import { videoId } from '@/core/display/moving';
import { saysAll } from '@/core/kit/saysAll';
import type { NamedPicture } from '@/core/project/pictureNames';
import { wordsOf } from './api';
import { Button } from './Button';
import { classes } from './classes';
import { usersInWords, usesOfThing } from './keptThings';
import { Modal } from './Modal';

/** A picture or a video that can be chosen. */
export interface PictureChoice extends NamedPicture {
  /** Its size, where that is known. */
  readonly size?: string;
}

interface Props {
  /** What it is chosen for. */
  readonly label: string;
  readonly value: string;
  readonly choices: readonly PictureChoice[];
  readonly onChoose: (value: string) => void;
  readonly onClose: () => void;
}

/** The pictures and videos that are here, as they look, found by their names; of the chosen one, what uses it. */
export function PictureFinder({ label, value, choices, onChoose, onClose }: Props) {
  const [wanted, setWanted] = useState('');
  const [chosen, setChosen] = useState(value);
  const form = useId();
  const found = choices.filter((one) => saysAll(one.label, wanted));
  const picked = found.find((one) => one.value === chosen);
  const choose = (event: FormEvent): void => {
    event.preventDefault();
    // What it was opened from may be sent off too, and is not done.
    event.stopPropagation();
    if (picked === undefined) return;
    onChoose(picked.value);
    onClose();
  };
  return (
    <Modal
      title={label}
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <Facts key={picked?.value} of={picked} />
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" type="submit" form={form} disabled={picked === undefined}>
            Choose
          </Button>
        </>
      }
    >
      <form id={form} onSubmit={choose}>
        <input
          type="search"
          data-autofocus
          aria-label="Find by name"
          placeholder="Find by name"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className="h-8 w-full max-w-[340px] rounded-lg border border-line-strong bg-field px-3"
        />
        <span role="status" className="ml-3 text-soft">
          {foundInWords(found.length, choices.length)}
        </span>
        <div className="mt-3 h-[52dvh] overflow-y-auto">
          <Tiles label={label} choices={found} value={picked?.value ?? ''} onChange={setChosen} />
        </div>
      </form>
    </Modal>
  );
}

function foundInWords(found: number, all: number): string {
  if (all === 0) return 'No picture is here yet.';
  return found === 0 ? 'None is called so.' : `${found} of ${all}`;
}

function Tiles({
  label,
  choices,
  value,
  onChange,
}: Pick<Props, 'label' | 'choices' | 'value'> & { readonly onChange: (value: string) => void }) {
  return (
    <RadioGroup
      aria-label={label}
      value={value}
      onChange={onChange}
      className="grid grid-cols-[repeat(auto-fill,minmax(130px,1fr))] gap-2 p-0.5"
    >
      {choices.map((one) => (
        <Radio
          key={one.value}
          value={one.value}
          className={({ checked }) =>
            classes(
              'flex min-w-0 cursor-pointer flex-col gap-1 rounded-lg border p-1.5 data-focus:outline-2 data-focus:outline-leaf',
              checked ? 'border-leaf bg-leaf-wash' : 'border-line bg-field',
            )
          }
        >
          <Look value={one.value} />
          <span className="line-clamp-2 font-semibold break-words" title={one.label}>
            {one.label}
          </span>
          <span className="text-[12px] text-soft">
            {one.size ?? (videoId(one.value) === null ? 'Picture' : 'Video')}
          </span>
        </Radio>
      ))}
    </RadioGroup>
  );
}

function Look({ value }: { readonly value: string }) {
  const box = 'h-20 w-full rounded-md border border-line bg-paper';
  if (videoId(value) !== null)
    return (
      <span className={`${box} grid place-items-center`}>
        <FilmIcon aria-hidden className="h-7 w-7 text-soft" />
      </span>
    );
  return (
    // eslint-disable-next-line @next/next/no-img-element -- an asset of the user's own, from this server
    <img
      src={`/api/assets/${encodeURIComponent(value)}`}
      alt=""
      loading="lazy"
      decoding="async"
      className={`${box} object-contain`}
    />
  );
}

/** What uses the picture that is chosen, asked for when it is. */
function Facts({ of }: { readonly of: PictureChoice | undefined }) {
  const [words, setWords] = useState('');
  useEffect(() => {
    if (of === undefined) return;
    const { value, label: name } = of;
    const video = videoId(value);
    const thing = {
      kind: video === null ? ('picture' as const) : ('video' as const),
      id: video ?? value,
      name,
    };
    usesOfThing(thing).then(
      (uses) => setWords(usesInWords(uses)),
      (error: unknown) => setWords(wordsOf(error)),
    );
  }, [of]);
  const found = words === '' ? 'Looking where it is used.' : words;
  return (
    <p role="status" className="mr-auto line-clamp-2 h-10 min-w-0 content-center text-soft">
      {of === undefined ? 'Choose one to see what uses it.' : found}
    </p>
  );
}

function usesInWords(uses: ThingUses): string {
  return uses.count === 0 ? 'Nothing uses it.' : `Used by ${usersInWords(uses)}.`;
}
