'use client';
import { PlusIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { toast } from 'sonner';
import { asReference, figureOf, referredColour } from '@/core/colour/houseColour';
import { wordsOf } from './api';
import { Button } from './Button';
import { changeHouse, useHouse } from './useHouse';

interface Props {
  /** A figure, or a colour of the House with it. */
  readonly value: string;
  /** Whether it is kept as a colour of the House, or as a figure alone. */
  readonly refers: boolean;
  readonly onChange: (value: string) => void;
}

/** What a colour is in the House: its name, or a way to give it one. */
export function HouseColourRow({ value, refers, onChange }: Props) {
  const { colours } = useHouse();
  const figure = figureOf(value);
  const known = colours.find(({ id }) => id === referredColour(value));
  if (known === undefined) return <NameColour figure={figure} refers={refers} onChange={onChange} />;
  const differs = known.colour !== figure;
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-3 pt-2">
      <span className="min-w-0 truncate">
        <b className="font-semibold">{known.name}</b>
        {differs && <span className="text-soft">{`, ${known.colour} in the House`}</span>}
      </span>
      {refers && differs && (
        <button
          type="button"
          className="font-semibold text-leaf-ink"
          onClick={() => onChange(asReference(known.colour, known.id))}
        >
          Take that
        </button>
      )}
      <button type="button" className="text-soft hover:text-ink" onClick={() => onChange(figure)}>
        Unlink
      </button>
    </div>
  );
}

/** Makes a figure a colour of the House, under a name that is typed. */
function NameColour({ figure, refers, onChange }: Omit<Props, 'value'> & { readonly figure: string }) {
  const { colours } = useHouse();
  const [name, setName] = useState<string | null>(null);
  const alike = colours.find(({ colour }) => colour === figure);
  const typed = name?.trim() ?? '';
  const taken = colours.some((one) => one.name.toLowerCase() === typed.toLowerCase());
  const keep = async (): Promise<void> => {
    if (typed === '' || taken) return;
    const id = nanoid(10);
    try {
      await changeHouse((now) => ({
        ...now,
        colours: [...now.colours, { id, name: typed, colour: figure }],
      }));
      setName(null);
      if (refers) onChange(asReference(figure, id));
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  if (name === null) {
    // What is taken as a figure alone is one of the House already where it has that figure.
    if (!refers && alike !== undefined) return null;
    return (
      <div className="flex flex-wrap items-baseline justify-between gap-x-3 pt-2 text-soft">
        {refers && <span>{alike === undefined ? 'No name yet' : `As ${alike.name}, not linked`}</span>}
        <button
          type="button"
          className="inline-flex items-center gap-1 hover:text-ink"
          onClick={() => setName('')}
        >
          <PlusIcon className="h-3.5 w-3.5" /> Name it in the House
        </button>
      </div>
    );
  }
  return (
    <form
      className="flex gap-2 pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <input
        autoFocus
        aria-label="Name in the House"
        aria-invalid={taken}
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          setName(null);
        }}
        className={`h-8 min-w-0 flex-1 rounded-lg border bg-field px-2 ${taken ? 'border-stop' : 'border-line-strong'}`}
      />
      <Button disabled={typed === '' || taken} onClick={() => void keep()}>
        {taken ? 'Taken' : 'Add'}
      </Button>
    </form>
  );
}
