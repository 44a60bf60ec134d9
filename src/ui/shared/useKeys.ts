'use client';
import { useHotkeys } from 'react-hotkeys-hook';

type Keys = Parameters<typeof useHotkeys>[0];
type Act = (event: KeyboardEvent) => void;

interface KeyOptions {
  /** Also while somebody types. */
  readonly enableOnFormTags?: boolean;
  readonly preventDefault?: boolean;
  /** By the letter that is written, not by where the key lies. */
  readonly useKey?: boolean;
}

const isWithin = ({ target }: KeyboardEvent, selector: string): boolean =>
  target instanceof HTMLElement && target.closest(selector) !== null;

/** A key of a screen. It does nothing while another screen lies over it, where keys are the other's. */
export function useKeys(keys: Keys, act: Act, options: KeyOptions = {}): void {
  useHotkeys(keys, act, { ...options, ignoreEventWhen: (event) => isWithin(event, '[role="dialog"]') });
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
