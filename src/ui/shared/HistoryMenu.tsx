'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDownIcon } from '@heroicons/react/24/outline';
import { useStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Change } from '@/core/draft/change';
import { classes } from './classes';
import type { UndoState } from './undoHistory';

interface Props {
  readonly history: StoreApi<UndoState>;
  /** A step in a few words. */
  readonly say: (step: Change) => string;
}

/** The steps of undo by name, the newest on top: choosing one goes back, or on, to how it was right after it. */
export function HistoryMenu({ history, say }: Props) {
  const { past, future } = useStore(history, ({ steps }) => steps);
  return (
    <Menu>
      <MenuButton
        aria-label="History"
        title="History: go back to a step"
        disabled={past.length + future.length === 0}
        className="-ml-2 grid h-8 w-5 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink disabled:opacity-40"
      >
        <ChevronDownIcon className="h-3.5 w-3.5" />
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom end', gap: 4 }}
        className="z-40 max-h-[60vh] w-72 overflow-y-auto rounded-xl border border-line-strong bg-card p-1"
      >
        <Steps history={history} say={say} />
      </MenuItems>
    </Menu>
  );
}

/** Only drawn, and only put into words, while the menu is open. */
function Steps({ history, say }: Props) {
  const { steps, goTo } = useStore(history);
  // The step that is made again first is the last of the future.
  const all = [...steps.past, ...steps.future.toReversed()];
  const now = steps.past.length;
  const rows = [{ count: 0, label: 'Before all of these' }].concat(
    all.map((step, i) => ({ count: i + 1, label: say(step) })),
  );
  return rows.toReversed().map(({ count, label }) => (
    <MenuItem key={count}>
      <button
        type="button"
        aria-current={count === now ? 'step' : undefined}
        onClick={() => goTo(count)}
        className={classes(
          'flex w-full items-baseline justify-between gap-3 rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash',
          count > now ? 'text-soft' : '',
          count === now ? 'font-semibold' : '',
        )}
      >
        <span className="min-w-0 truncate">{label}</span>
        {count === now && <span className="shrink-0 text-[12px] font-normal text-soft">now</span>}
      </button>
    </MenuItem>
  ));
}
