'use client';
import { useStore } from 'zustand';
import type { CellConflict } from '@/core/project/mergeWork';
import { parseCell, withCellValue } from '@/core/project/titleCells';
import { lengthToTimecode, frameToTimecode } from '@/core/time/clock';
import { Button } from '../shared/Button';
import { numbersOf, useClock, useDesk, usePlan, useTemplateOf, useTitles } from './deskContext';

/** Cells that another desk changed too: both values, until somebody chooses. */
export function ConflictBar() {
  const { store } = useDesk();
  const titles = useTitles();
  const conflicts = useStore(store, (state) => state.conflicts);
  const say = useSayCell();
  const [first] = conflicts;
  if (first === undefined) return null;
  const settle = (value: unknown): void => {
    store.setState({ conflicts: conflicts.filter((one) => one !== first) });
    // A new object even when the value stays, so that it counts as changed and is saved.
    store
      .getState()
      .apply((now) =>
        now.map((title) => (title.id === first.titleId ? withCellValue(title, first.cell, value) : title)),
      );
  };
  const title = titles.find(({ id }) => id === first.titleId);
  return (
    <div
      role="alert"
      className="flex shrink-0 items-center gap-3 border-b border-line bg-leaf-wash px-4 py-1.5 text-leaf-ink"
    >
      <p className="min-w-0 flex-1 truncate">
        {`Title ${numbersOf(titles).get(first.titleId) ?? '?'}, ${say.cell(first, title?.editionId)}: two desks changed it. Here “${say.value(first.cell, first.mine)}”, there “${say.value(first.cell, first.theirs)}”.`}
        {conflicts.length > 1 && ` ${conflicts.length - 1} more after this one.`}
      </p>
      <Button onClick={() => settle(first.mine)}>Keep what is here</Button>
      <Button onClick={() => settle(first.theirs)}>Take what is there</Button>
    </div>
  );
}

const CELL_WORDS: Readonly<Record<string, string>> = {
  startFrame: 'In',
  lengthFrames: 'Duration',
  lane: 'Lane',
  editionId: 'Template',
  keepsEdition: 'Keeps its edition',
  heldTo: 'Moves with its clip',
  fadeInFrames: 'Fade in',
  fadeOutFrames: 'Fade out',
  shift: 'Place',
  scrim: 'Scrim',
  edge: 'Edge of its words',
  kept: 'Words without a field',
  moments: 'When its rows come',
  credits: 'Its credits',
  cameAs: 'What its words were called',
  leftOut: 'Left out',
};

function useSayCell() {
  const { editions } = useDesk();
  const { deliveries } = usePlan();
  const templateOf = useTemplateOf();
  const sayTime = useSayTime();
  return {
    cell({ cell }: CellConflict, editionId: string | undefined): string {
      const template = editionId === undefined ? undefined : templateOf(editionId);
      const field = (id: string): string => template?.fields.find((one) => one.id === id)?.label ?? id;
      const delivery = (id: string): string => deliveries.find((one) => one.id === id)?.name ?? id;
      const read = parseCell(cell);
      switch (read.of) {
        case 'title':
          return CELL_WORDS[read.key] ?? read.key;
        case 'value':
          return field(read.fieldId);
        case 'delivery':
          return `${CELL_WORDS[read.key]} in ${delivery(read.deliveryId)}`;
        case 'deliveryValue':
          return `${field(read.fieldId)} in ${delivery(read.deliveryId)}`;
      }
    },
    value(cell: string, value: unknown): string {
      const { of, ...read } = parseCell(cell);
      const key = 'key' in read ? read.key : '';
      if (typeof value === 'boolean') return value ? 'yes' : 'no';
      if (typeof value === 'number') return key === 'lane' ? String(value + 1) : sayTime(key, value);
      if (key === 'heldTo') return value === 'clip' ? 'yes' : 'no';
      if (key === 'leftOut') return 'no';
      if (key === 'editionId' && typeof value === 'string') {
        const edition = editions.get(value);
        return edition === undefined ? value : `${edition.document.name} ${edition.number}`;
      }
      if (value === undefined || value === null)
        return of === 'deliveryValue' ? 'as in the others' : of === 'title' ? 'none' : 'the template’s own';
      return typeof value === 'string' ? value : sayParts(value);
    },
  };
}

function useSayTime(): (key: string, frames: number) => string {
  const clock = useClock();
  return (key, frames) => {
    if (key === 'startFrame') return frameToTimecode(frames, clock);
    return key.endsWith('Frames') ? lengthToTimecode(frames, clock) : String(frames);
  };
}

/** A place, a scrim or kept words: what they are made of, one after the other. */
function sayParts(value: unknown): string {
  if (typeof value !== 'object' || value === null) return String(value);
  return Object.values(value).map(sayParts).join(', ');
}
