'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronUpDownIcon } from '@heroicons/react/24/outline';
import { useMemo, useRef, useState } from 'react';
import type { KeyboardEvent, ReactNode } from 'react';
import type { Layer } from '@/core/model/template';
import { useHouse } from '../../shared/useHouse';
import type { Previewed } from './movePreview';
import { MoveTile } from './MoveTile';
import { useKeptMotion } from './useKeptMotion';

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
        focus
        anchor={{ to: 'left start', gap: 10 }}
        className="z-40 h-[560px] w-[404px] rounded-xl border border-line-strong bg-card p-3"
      >
        {({ close }) => (
          <Gallery layer={layer} offers={offers} chosen={chosen} onPick={onPick} onDone={() => close()} />
        )}
      </PopoverPanel>
    </Popover>
  );
}

interface GalleryProps extends Pick<Props, 'layer' | 'offers' | 'chosen' | 'onPick'> {
  readonly onDone: () => void;
}

const COLUMNS = 3;

/** Where arrow keys lead from one of so many tiles; −1 is the search above them. */
function tileAfter(key: string, at: number, count: number): number | null {
  const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -COLUMNS, ArrowDown: COLUMNS }[key];
  if (step === undefined) return null;
  if (at < 0) return key === 'ArrowDown' && count > 0 ? 0 : null;
  const next = at + step;
  if (next < 0) return key === 'ArrowUp' ? -1 : 0;
  return Math.min(count - 1, next);
}

/**
 * The moves as tiles, by the keyboard too: Enter in the search takes the first that is found, arrows go through them.
 * Those of the House are motion as a whole, and come first.
 */
function Gallery({ layer, offers, chosen, onPick, onDone }: GalleryProps) {
  const [playing, setPlaying] = useState<string | null>(null);
  const [search, setSearch] = useState('');
  const whole = useRef<HTMLDivElement>(null);
  const { moves } = useHouse();
  const takeKept = useKeptMotion();
  const tiles = useMemo(() => {
    const words = search.trim().toLowerCase();
    const kept = offers.some(({ previewed }) => previewed.kind === 'hold') ? [] : moves;
    const byFolder = kept.toSorted((a, b) => (a.folder ?? '').localeCompare(b.folder ?? ''));
    const own = byFolder.map(({ id, name, motion, folder, tags = [] }) => ({
      id: `house ${id}`,
      label: name,
      note: folder === undefined ? 'of the House' : `House · ${folder}`,
      foundBy: [name, folder ?? '', ...tags].join('\n').toLowerCase(),
      previewed: { kind: 'kept', motion } as const,
      pick: () => takeKept(motion),
    }));
    const ready = offers.map((offer) => ({
      ...offer,
      note: '',
      foundBy: offer.label.toLowerCase(),
      pick: () => onPick(offer.id),
    }));
    return [...own, ...ready].filter(({ foundBy }) => foundBy.includes(words));
  }, [offers, moves, search, onPick, takeKept]);
  const take = (tile: (typeof tiles)[number] | undefined): void => {
    if (tile === undefined) return;
    tile.pick();
    onDone();
  };
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    const [find, ...buttons] = whole.current?.querySelectorAll<HTMLElement>('input, button') ?? [];
    const at = buttons.findIndex((button) => button === event.target);
    const next = tileAfter(event.key, at, buttons.length);
    if (event.key === 'Enter' && at < 0) take(tiles[0]);
    if (next !== null) (next < 0 ? find : buttons[next]).focus();
    else if (!(event.key === 'Enter' && at < 0)) return;
    event.preventDefault();
  };
  return (
    <div ref={whole} data-own-keys className="flex h-full flex-col" onKeyDown={onKeyDown}>
      <input
        aria-label="Find a move"
        placeholder="Find a move; point at one to see it"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
        className="mb-2 h-8 w-full shrink-0 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <div className="grid min-h-0 flex-1 grid-cols-3 content-start gap-1 overflow-y-auto p-0.5">
        {tiles.map((tile) => (
          <MoveTile
            key={tile.id}
            label={tile.label}
            note={tile.note}
            layer={layer}
            previewed={tile.previewed}
            chosen={tile.id === chosen}
            playing={playing === tile.id}
            onPlay={(on) => setPlaying((now) => (on ? tile.id : now === tile.id ? null : now))}
            onPick={() => take(tile)}
          />
        ))}
        {tiles.length === 0 && <p className="col-span-3 p-3 text-soft">No move is called that.</p>}
      </div>
    </div>
  );
}
