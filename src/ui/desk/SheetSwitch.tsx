'use client';
import type { KeyboardEvent, MouseEvent } from 'react';
import type { DeskSheet } from './deskAddress';
import { DESK_SHEETS, sheetQuery } from './deskAddress';
import { useDesk, useDeskUi } from './deskContext';
import { fetchSheet } from './laterParts';

const LABELS: Readonly<Record<DeskSheet, string>> = {
  titles: 'Titles',
  captions: 'Captions',
  credits: 'Credits',
};

/** A plain click with nothing held, which means the sheet here and not in another window. */
const isPlain = ({ button, ctrlKey, metaKey, shiftKey, altKey }: MouseEvent): boolean =>
  button === 0 && !ctrlKey && !metaKey && !shiftKey && !altKey;

/** Which of the desk's sheets lies open; arrows go from one to the next. Links, so that they do before the page is awake. */
export function SheetSwitch() {
  const { ui } = useDesk();
  const sheet = useDeskUi((state) => state.sheet);
  const onKeyDown = (event: KeyboardEvent<HTMLElement>): void => {
    if (event.key === ' ' && event.target instanceof HTMLElement) {
      event.preventDefault();
      event.target.click();
      return;
    }
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
    event.preventDefault();
    const by = event.key === 'ArrowLeft' ? DESK_SHEETS.length - 1 : 1;
    const next = DESK_SHEETS[(DESK_SHEETS.indexOf(sheet) + by) % DESK_SHEETS.length];
    ui.setState({ sheet: next });
    event.currentTarget.querySelector<HTMLElement>(`[data-sheet="${next}"]`)?.focus();
  };
  return (
    <div
      role="tablist"
      aria-label="Sheet"
      onKeyDown={onKeyDown}
      className="flex shrink-0 overflow-hidden rounded-lg border border-line-strong"
    >
      {DESK_SHEETS.map((id) => (
        <a
          key={id}
          // The one that lies open goes nowhere.
          href={sheet === id ? undefined : sheetQuery(id)}
          role="tab"
          data-sheet={id}
          aria-selected={sheet === id}
          tabIndex={sheet === id ? 0 : -1}
          onPointerEnter={() => fetchSheet(id)}
          onFocus={() => fetchSheet(id)}
          onClick={(event) => {
            if (!isPlain(event)) return;
            event.preventDefault();
            ui.setState({ sheet: id });
          }}
          className={`flex h-8 items-center px-3 text-[12.5px] ${sheet === id ? 'bg-chosen font-semibold text-on-chosen' : 'bg-field hover:bg-paper'}`}
        >
          {LABELS[id]}
        </a>
      ))}
    </div>
  );
}
