'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { PlusIcon } from '@heroicons/react/24/outline';
import Link from 'next/link';
import { useEffect, useEffectEvent, useState } from 'react';
import { PLAIN_PICTURE } from '@/core/model/project';
import type { Placing } from '@/core/project/placeTitle';
import { designFrames } from '@/core/titleTime/stretch';
import { lengthToTimecode } from '@/core/time/clock';
import { SelectBox } from '../shared/SelectBox';
import { useClips, useClock, useDesk, useDeskUi } from './deskContext';
import { usePlaceTitle } from './usePlaceTitle';

/** The ways in which a new title can be put on the strip, those first that fit what is chosen. */
export function usePlacings(
  frame: number,
): readonly { readonly value: string; readonly label: string; readonly placing: Placing }[] {
  const clips = useClips();
  const clipId = useDeskUi((ui) => ui.clipId);
  const range = useDeskUi((ui) => ui.range);
  const clip = clips.find(({ id }) => id === clipId);
  const over =
    range === null
      ? []
      : [
          {
            value: 'range',
            label: 'Over the marked range',
            placing: { kind: 'range', span: range } as const,
          },
        ];
  const on =
    clip === undefined
      ? []
      : (
          [
            ['whole', `On “${clip.label}”, all of it`],
            ['start', `On “${clip.label}”, at its start`],
            ['end', `On “${clip.label}”, at its end`],
          ] as const
        ).map(([part, label]) => ({ value: part, label, placing: { kind: 'clip', clip, part } as const }));
  const alone = (['ripple', 'overwrite'] as const).map((way) => ({
    value: way,
    label: way === 'ripple' ? 'Alone, later pictures move back' : 'Alone, over the pictures there',
    placing: { kind: 'alone', frame, picture: PLAIN_PICTURE, way } as const,
  }));
  return [
    ...over,
    ...on,
    { value: 'playhead', label: 'At the playhead', placing: { kind: 'playhead', frame } },
    ...alone,
  ];
}

/** Places a title from any template on the shelf: at the playhead, on the chosen clip, over the range or alone. */
export function AddTitle({ frame }: { readonly frame: number }) {
  return (
    <Popover>
      <PopoverButton
        title="T"
        data-add-title
        className="inline-flex h-8 items-center gap-1.5 rounded-lg border border-line-strong bg-field px-3 font-semibold"
      >
        <PlusIcon className="h-4 w-4" /> Title
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: 'bottom start', gap: 6 }}
        focus
        className="z-40 flex w-80 flex-col gap-2 rounded-xl border border-line-strong bg-card p-3"
      >
        {({ close }) => <Templates frame={frame} close={close} />}
      </PopoverPanel>
    </Popover>
  );
}

function Templates({ frame, close }: { readonly frame: number; readonly close: () => void }) {
  const { newest, isShelfHere, rate, ui } = useDesk();
  const clock = useClock();
  const placings = usePlacings(frame);
  const place = usePlaceTitle();
  const [chosen, setChosen] = useState('');
  const [wanted, setWanted] = useState('');
  // Enter before the shelf's templates have come: the first that is found then is placed.
  const [waits, setWaits] = useState(false);
  const where = placings.find(({ value }) => value === chosen) ?? placings[0];
  const found = [...newest.values()].filter(({ document }) =>
    `${document.name} ${document.kind}`.toLowerCase().includes(wanted.toLowerCase()),
  );
  const put = (editionId: string): void => {
    place(editionId, where.placing);
    close();
  };
  const first = found[0]?.id;
  const takeFirst = useEffectEvent((id: string) => put(id));
  useEffect(() => {
    if (waits && first !== undefined) takeFirst(first);
  }, [waits, first]);
  return (
    <>
      <input
        type="search"
        autoFocus
        aria-label="Find a template"
        placeholder="Find a template"
        value={wanted}
        onChange={(event) => {
          setWanted(event.target.value);
          setWaits(false);
        }}
        onKeyDown={(event) => event.key === 'Enter' && (first === undefined ? setWaits(true) : put(first))}
        className="h-8 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <SelectBox
        label="Where it goes"
        value={where.value}
        onChange={setChosen}
        choices={placings.map(({ value, label }) => ({ value, label }))}
      />
      <div className="max-h-72 overflow-y-auto">
        {found.map((edition) => (
          <button
            key={edition.id}
            type="button"
            onClick={() => put(edition.id)}
            className="flex w-full justify-between rounded-lg px-2.5 py-1.5 text-left hover:bg-leaf-wash focus:bg-leaf-wash"
          >
            <span>{edition.document.name}</span>
            <span className="text-soft">{`${lengthToTimecode(designFrames(edition.document.timing, rate), clock)} · edition ${edition.number}`}</span>
          </button>
        ))}
        {newest.size === 0 && !isShelfHere && (
          <p role="status" className="px-2.5 text-soft">
            Reading the shelf.
          </p>
        )}
        {newest.size === 0 && isShelfHere && (
          <Link href="/bench" className="block rounded-lg px-2.5 py-1.5 hover:bg-leaf-wash">
            The shelf is empty: design a template first
          </Link>
        )}
        {newest.size > 0 && found.length === 0 && (
          <p className="px-2.5 text-soft">No template is called that.</p>
        )}
      </div>
      {newest.size > 0 && (
        <button
          type="button"
          className="self-start font-semibold text-leaf-ink hover:underline"
          onClick={() => {
            ui.setState({ shelfOpen: true });
            close();
          }}
        >
          Open the shelf’s drawer
        </button>
      )}
    </>
  );
}
