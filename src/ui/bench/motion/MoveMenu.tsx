'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronUpDownIcon } from '@heroicons/react/24/outline';
import { useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import type { Layer } from '@/core/model/template';
import type { Previewed } from './movePreview';
import { MoveTile } from './MoveTile';

/** A move that a menu offers. */
export interface Offer {
  readonly id: string;
  readonly label: string;
  readonly previewed: Previewed;
}

interface Props {
  readonly label: string;
  readonly button: ReactNode;
  readonly layer: Layer;
  readonly offers: readonly Offer[];
  readonly chosen: string | null;
  readonly onPick: (id: string) => void;
}

/** A button that opens all moves to choose from; one preview plays at a time. */
export function MoveMenu({ label, button, layer, offers, chosen, onPick }: Props) {
  return (
    <Popover className="min-w-0 flex-1">
      <PopoverButton
        aria-label={label}
        className="flex h-8 w-full min-w-0 items-center gap-1 rounded-lg border border-line-strong bg-field px-2.5 text-left"
      >
        <span className="min-w-0 flex-1 truncate">{button}</span>
        <ChevronUpDownIcon className="h-4 w-4 shrink-0 text-soft" />
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: 'left start', gap: 10 }}
        className="z-40 h-[560px] w-[404px] rounded-xl border border-line-strong bg-card p-3"
      >
        {({ close }) => (
          <Gallery
            layer={layer}
            offers={offers}
            chosen={chosen}
            onPick={(id) => {
              onPick(id);
              close();
            }}
          />
        )}
      </PopoverPanel>
    </Popover>
  );
}

type GalleryProps = Pick<Props, 'layer' | 'offers' | 'chosen' | 'onPick'>;

function Gallery({ layer, offers, chosen, onPick }: GalleryProps) {
  const [playing, setPlaying] = useState<string | null>(null);
  const [search, setSearch] = useState('');
  const found = useMemo(() => {
    const words = search.trim().toLowerCase();
    return offers.filter((offer) => offer.label.toLowerCase().includes(words));
  }, [offers, search]);
  return (
    <div className="flex h-full flex-col">
      <input
        aria-label="Find a move"
        placeholder="Find a move; point at one to see it"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
        className="mb-2 h-8 w-full shrink-0 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <div className="grid min-h-0 flex-1 grid-cols-3 content-start gap-1 overflow-y-auto">
        {found.map((offer) => (
          <MoveTile
            key={offer.id}
            label={offer.label}
            layer={layer}
            previewed={offer.previewed}
            chosen={offer.id === chosen}
            playing={playing === offer.id}
            onPlay={(on) => setPlaying((now) => (on ? offer.id : now === offer.id ? null : now))}
            onPick={() => onPick(offer.id)}
          />
        ))}
        {found.length === 0 && <p className="col-span-3 p-3 text-soft">No move is called that.</p>}
      </div>
    </div>
  );
}
