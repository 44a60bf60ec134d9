'use client';
import { Menu, MenuButton, MenuItem, MenuItems, MenuSeparator } from '@headlessui/react';
import { Fragment, useEffect, useRef } from 'react';
import type { RefObject } from 'react';
import { useBench, useTemplate } from '../state/benchStore';
import { layerActions } from './layerActions';

/** About as much room as the whole menu takes. */
const TALL_PX = 510;

/** The menu of the chosen layers, where it was asked for: by the right button, or by the keyboard's own key for menus. */
export function LayerMenu() {
  const { menuAt } = useBench();
  const button = useRef<HTMLButtonElement>(null);
  const before = useRef<Element | null>(null);
  useEffect(() => {
    if (menuAt === null) return;
    before.current = document.activeElement;
    // As if it were opened by a key, so that its first entry has the focus.
    button.current?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true }));
  }, [menuAt]);
  if (menuAt === null) return null;
  return (
    <Menu>
      {({ open }) => (
        <>
          <MenuButton
            ref={button}
            tabIndex={-1}
            aria-label="What to do with the chosen layers"
            className="pointer-events-none fixed h-px w-px opacity-0"
            style={{ left: menuAt.x, top: Math.max(0, Math.min(menuAt.y, window.innerHeight - TALL_PX)) }}
          />
          <Entries />
          <GivesBack open={open} to={before} />
        </>
      )}
    </Menu>
  );
}

function Entries() {
  const view = useBench();
  // Drawn anew with the template, since what is possible depends on it.
  useTemplate();
  const actions = layerActions(view);
  return (
    <MenuItems
      anchor={{ to: 'bottom start', padding: 8 }}
      className="z-40 w-60 rounded-xl border border-line-strong bg-card p-1 text-[13px] outline-none"
    >
      {actions.map((action, i) => (
        <Fragment key={action.label}>
          {i > 0 && actions[i - 1].part !== action.part && (
            <MenuSeparator className="my-1 border-t border-line" />
          )}
          <MenuItem disabled={!action.possible}>
            <button
              type="button"
              onClick={() => action.run()}
              className="flex w-full items-baseline justify-between gap-3 rounded-lg px-3 py-0.5 text-left data-disabled:text-faint data-focus:bg-leaf-wash"
            >
              {action.label}
              <span className="font-mono text-[11.5px] text-soft">{action.keysShown}</span>
            </button>
          </MenuItem>
        </Fragment>
      ))}
    </MenuItems>
  );
}

/** When the menu is closed the focus goes back to where it was. */
function GivesBack({ open, to }: { readonly open: boolean; readonly to: RefObject<Element | null> }) {
  const { setMenuAt } = useBench();
  const wasOpen = useRef(false);
  useEffect(() => {
    if (wasOpen.current && !open) {
      const { current: held } = to;
      if (held instanceof HTMLElement && held.isConnected && held !== document.body) held.focus();
      setMenuAt(null);
    }
    wasOpen.current = open;
  }, [open, to, setMenuAt]);
  return null;
}
