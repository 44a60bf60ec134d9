'use client';
import { ArrowUturnLeftIcon, ArrowUturnRightIcon } from '@heroicons/react/24/outline';
import { useStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Change } from '@/core/draft/change';
import { HistoryMenu } from './HistoryMenu';
import type { UndoState } from './undoHistory';

/** Looks of the small icon buttons in the bar. */
export const BAR_ICON =
  'grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink disabled:opacity-40';

interface Props {
  readonly history: StoreApi<UndoState>;
  /** A step in a few words. */
  readonly say: (step: Change) => string;
}

/** Undo and redo over a store's history, and the list of its steps. */
export function UndoButtons({ history, say }: Props) {
  const { undo, redo, steps } = useStore(history);
  return (
    <>
      <button
        type="button"
        className={BAR_ICON}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        disabled={steps.past.length === 0}
        onClick={() => undo()}
      >
        <ArrowUturnLeftIcon className="h-4.5 w-4.5" />
      </button>
      <button
        type="button"
        className={BAR_ICON}
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        disabled={steps.future.length === 0}
        onClick={() => redo()}
      >
        <ArrowUturnRightIcon className="h-4.5 w-4.5" />
      </button>
      <HistoryMenu history={history} say={say} />
    </>
  );
}
