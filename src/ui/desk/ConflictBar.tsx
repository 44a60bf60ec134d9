'use client';
import { useStore } from 'zustand';
import type { CellConflict } from '@/core/project/mergeWork';
import { withConflictCell } from '@/core/project/mergeWork';
import { frameToTimecode } from '@/core/units/timecode';
import { Button } from '../shared/Button';
import { numbersOf, useDesk, useTemplateOf, useTitles } from './deskContext';

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
        now.map((title) => (title.id === first.titleId ? withConflictCell(title, first.cell, value) : title)),
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
  lengthFrames: 'Lasts',
  lane: 'Lane',
  editionId: 'Template',
};

function useSayCell() {
  const { rate, editions } = useDesk();
  const templateOf = useTemplateOf();
  return {
    cell({ cell }: CellConflict, editionId: string | undefined): string {
      if (!cell.startsWith('values.')) return CELL_WORDS[cell] ?? cell;
      const id = cell.slice('values.'.length);
      const template = editionId === undefined ? undefined : templateOf(editionId);
      return template?.fields.find((field) => field.id === id)?.label ?? id;
    },
    value(cell: string, value: unknown): string {
      if ((cell === 'startFrame' || cell === 'lengthFrames') && typeof value === 'number')
        return frameToTimecode(value, rate);
      if (cell === 'editionId' && typeof value === 'string') {
        const edition = editions.get(value);
        return edition === undefined ? value : `${edition.document.name} ${edition.number}`;
      }
      return value === undefined
        ? 'the template’s own'
        : typeof value === 'object'
          ? JSON.stringify(value)
          : String(value);
    },
  };
}
