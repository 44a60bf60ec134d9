'use client';
import { XMarkIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import type { EditionRecord } from '@/contract/templates';
import type { FrameFormat } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { designFrames, stretchTiming } from '@/core/titleTime/stretch';
import { lengthToTimecode } from '@/core/time/clock';
import { useBackdrop } from '../picture/backdrop';
import { PictureCanvas } from '../picture/PictureCanvas';
import { useCompiled } from '../picture/useCompiled';
import { usePlacings } from './AddTitle';
import { useClock, useDesk } from './deskContext';
import { TEMPLATE_DRAG } from './strip/Strip';
import { usePlaceTitle } from './usePlaceTitle';

interface Props {
  readonly frame: number;
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
}

const TILE_PX = 128;

/** The shelf's templates above the strip: dragged onto it, or placed by a double click or Enter where the menu would. */
export function ShelfDrawer({ frame, format, fonts }: Props) {
  const { newest, ui } = useDesk();
  const [first] = usePlacings(frame);
  const place = usePlaceTitle();
  return (
    <section
      aria-label="Shelf drawer"
      className="flex shrink-0 items-stretch gap-2 border-t border-line bg-card px-3 py-2"
    >
      <ul className="flex min-w-0 flex-1 gap-2 overflow-x-auto">
        {[...newest.values()].map((edition) => (
          <li key={edition.id} className="shrink-0">
            <Tile
              edition={edition}
              format={format}
              fonts={fonts}
              onPlace={() => place(edition.id, first.placing)}
            />
          </li>
        ))}
      </ul>
      <button
        type="button"
        aria-label="Close the drawer"
        className="grid h-7 w-7 place-items-center rounded-md text-soft hover:bg-paper"
        onClick={() => ui.setState({ shelfOpen: false })}
      >
        <XMarkIcon className="h-4 w-4" />
      </button>
    </section>
  );
}

interface TileProps extends Omit<Props, 'frame'> {
  readonly edition: EditionRecord;
  readonly onPlace: () => void;
}

const NO_VALUES = {};

function Tile({ edition, format, fonts, onPlace }: TileProps) {
  const { rate } = useDesk();
  const clock = useClock();
  const { document } = edition;
  const small = useMemo(() => previewFormat(format, TILE_PX), [format]);
  const { title } = useCompiled(document, NO_VALUES, small, fonts);
  const backdrop = useBackdrop(document.backdrop);
  const lists = useMemo(() => {
    if (title === null) return [];
    const timing = stretchTiming(document.timing, designFrames(document.timing, rate), rate);
    return [title.frame((timing.inSeconds + timing.outStartSeconds) / 2, timing)];
  }, [title, document, rate]);
  return (
    <button
      type="button"
      draggable
      title="Drag it onto the strip, or double-click to place it"
      aria-label={`${document.name}, place it`}
      onDragStart={(event) => {
        event.dataTransfer.setData(TEMPLATE_DRAG, edition.id);
        event.dataTransfer.effectAllowed = 'copy';
      }}
      onDoubleClick={onPlace}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        onPlace();
      }}
      className="block cursor-grab rounded-lg border border-line bg-field p-1 text-left hover:border-line-strong"
    >
      <span className="grid h-[72px] w-32 place-items-center overflow-hidden rounded-md bg-well">
        <PictureCanvas
          format={small}
          backdrop={backdrop}
          backdropSeconds={2}
          lists={lists}
          label={document.name}
          className="block max-h-[72px] max-w-full object-contain"
        />
      </span>
      <span className="block truncate px-1 pt-0.5 text-[12px]">
        {document.name}{' '}
        <span className="text-soft">{lengthToTimecode(designFrames(document.timing, rate), clock)}</span>
      </span>
    </button>
  );
}
