'use client';
import type { KeyboardEvent } from 'react';
import { useDesk, useDeskUi } from './deskContext';

const SHEETS = [
  { id: 'titles', label: 'Titles' },
  { id: 'captions', label: 'Captions' },
  { id: 'credits', label: 'Credits' },
] as const;

/** Which of the desk's sheets lies open; arrows go from one to the next. */
export function SheetSwitch() {
  const { ui } = useDesk();
  const sheet = useDeskUi((state) => state.sheet);
  const onKeyDown = (event: KeyboardEvent<HTMLElement>): void => {
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
    event.preventDefault();
    const at = SHEETS.findIndex(({ id }) => id === sheet);
    const by = event.key === 'ArrowLeft' ? SHEETS.length - 1 : 1;
    const next = SHEETS[(at + by) % SHEETS.length];
    ui.setState({ sheet: next.id });
    event.currentTarget.querySelector<HTMLElement>(`[data-sheet="${next.id}"]`)?.focus();
  };
  return (
    <div
      role="tablist"
      aria-label="Sheet"
      onKeyDown={onKeyDown}
      className="flex shrink-0 overflow-hidden rounded-lg border border-line-strong"
    >
      {SHEETS.map(({ id, label }) => (
        <button
          key={id}
          type="button"
          role="tab"
          data-sheet={id}
          aria-selected={sheet === id}
          tabIndex={sheet === id ? 0 : -1}
          onClick={() => ui.setState({ sheet: id })}
          className={`h-8 px-3 text-[12.5px] ${sheet === id ? 'bg-chosen font-semibold text-on-chosen' : 'bg-field hover:bg-paper'}`}
        >
          {label}
        </button>
      ))}
    </div>
  );
}
