'use client';
import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { StoreApi } from 'zustand';
import type { UndoState } from './undoHistory';

type Keys = Parameters<typeof useHotkeys>[0];
type Act = (event: KeyboardEvent) => void;

interface KeyOptions {
  /** Also while somebody types. */
  readonly enableOnFormTags?: boolean;
  readonly preventDefault?: boolean;
  /** By the letter that is written, not by where the key lies. */
  readonly useKey?: boolean;
  /** When the key is the browser's after all. */
  readonly unless?: (event: KeyboardEvent) => boolean;
}

const isWithin = ({ target }: KeyboardEvent, selector: string): boolean =>
  target instanceof HTMLElement && target.closest(selector) !== null;

/** Whether a key means something to an open menu, list or grid: letters look for an entry, arrows go through them. */
const isForMenu = (event: KeyboardEvent): boolean =>
  !event.ctrlKey && !event.metaKey && isWithin(event, '[role="menu"], [role="listbox"], [data-own-keys]');

/** Whether somebody types into what is focused, or chooses in it: a box that is only ticked takes Space and no more. */
function isForForm(event: KeyboardEvent): boolean {
  if (isWithin(event, 'input[type="checkbox"]')) return event.key === ' ';
  return isWithin(event, 'input, textarea, select, [contenteditable="true"]');
}

/**
 * A key of a screen. It does nothing while another screen lies over it, where keys are the other's, nor in an open menu
 * unless Ctrl or Cmd goes with it.
 */
export function useKeys(
  keys: Keys,
  act: Act,
  { unless, enableOnFormTags = false, ...options }: KeyOptions = {},
): void {
  const once = (event: KeyboardEvent): void => {
    // A key that acts does not type too, wherever its act leads: the letter would land in the box that is gone to.
    if (/^[\p{L}\p{N}\p{P}]$/u.test(event.key)) event.preventDefault();
    act(event);
  };
  useHotkeys(keys, once, {
    ...options,
    enableOnFormTags: true,
    ignoreEventWhen: (event) =>
      (!enableOnFormTags && isForForm(event)) ||
      isWithin(event, '[role="dialog"]') ||
      isForMenu(event) ||
      unless?.(event) === true,
  });
}

/** The keys of undo and redo, also while somebody types. */
export function useUndoKeys(history: StoreApi<UndoState>): void {
  const options = { enableOnFormTags: true, preventDefault: true } as const;
  useKeys('mod+z', () => history.getState().undo(), options);
  useKeys('mod+shift+z, mod+y', () => history.getState().redo(), options);
}

/** Whether Space and Enter mean something to what is focused. */
export function actsItself(event: KeyboardEvent): boolean {
  return isWithin(
    event,
    'button, a, select, [role="tab"], [role="radio"], [role="menuitem"], [role="slider"]',
  );
}

/** Whether arrows mean something to what is focused. */
export function takesArrows(event: KeyboardEvent): boolean {
  return isWithin(event, 'select, [role="tablist"], [role="radiogroup"], [role="menu"], [role="slider"]');
}

const LETS_GO = 'button, a, [role="tab"], [role="radio"], [role="switch"], select';
const KEEPS = '[role="dialog"], [role="menu"], [role="listbox"], [role="grid"], [aria-expanded="true"]';

/**
 * What was clicked with the mouse gives the keys back to the screen: after a click on a button, Space plays again and
 * does not press it a second time. Whoever uses the keyboard keeps the focus where it is.
 */
export function useClickLetsGo(): void {
  useEffect(() => {
    let pointer = false;
    const down = (): void => {
      pointer = true;
    };
    const key = (): void => {
      pointer = false;
    };
    const letGo = ({ target }: Event): void => {
      if (!pointer || !(target instanceof HTMLElement)) return;
      const held = target.closest<HTMLElement>(LETS_GO);
      // What opens on a click says so a moment later.
      requestAnimationFrame(() => {
        if (held !== null && held === document.activeElement && held.closest(KEEPS) === null) held.blur();
      });
    };
    const events = ['click', 'change', 'focusin'] as const;
    window.addEventListener('pointerdown', down, true);
    window.addEventListener('keydown', key, true);
    for (const name of events) window.addEventListener(name, letGo);
    return () => {
      window.removeEventListener('pointerdown', down, true);
      window.removeEventListener('keydown', key, true);
      for (const name of events) window.removeEventListener(name, letGo);
    };
  }, []);
}
