'use client';
import { ArrowUturnLeftIcon, ArrowUturnRightIcon } from '@heroicons/react/24/outline';
import { useStore } from 'zustand';
import { useDesk } from './deskContext';

/** Undo and redo over everything done to titles. */
export function UndoButtons() {
  const { store } = useDesk();
  const { undo, redo, pastStates, futureStates } = useStore(store.temporal);
  const look =
    'grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink disabled:opacity-40';
  return (
    <>
      <button
        type="button"
        className={look}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        disabled={pastStates.length === 0}
        onClick={() => undo()}
      >
        <ArrowUturnLeftIcon className="h-4.5 w-4.5" />
      </button>
      <button
        type="button"
        className={look}
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        disabled={futureStates.length === 0}
        onClick={() => redo()}
      >
        <ArrowUturnRightIcon className="h-4.5 w-4.5" />
      </button>
    </>
  );
}
