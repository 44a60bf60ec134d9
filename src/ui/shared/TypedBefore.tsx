'use client';
import { useEffect, useRef } from 'react';
import type { ReactNode } from 'react';

declare global {
  interface Window {
    /** What was typed, or ticked, before the page was awake; public/early.js notes it. */
    gilderTyped?: Map<EventTarget, string | boolean>;
  }
}

/**
 * Pages come from the server as they look and answer a moment later. What is typed in that moment would be seen and then
 * forgotten; with this in the page it is typed again as soon as somebody listens.
 */
export function TypedBefore() {
  useEffect(() => {
    document.documentElement.dataset.awake = '';
    typeAgain((box) => box.closest('[data-late]') === null);
  }, []);
  return null;
}

/** A part that wakes after the rest of its page. What is typed into it before is not lost either. */
export function LatePart({ children }: { readonly children: ReactNode }) {
  const part = useRef<HTMLDivElement>(null);
  useEffect(() => {
    part.current?.removeAttribute('data-late');
    typeAgain((box) => part.current?.contains(box) === true);
  }, []);
  return (
    <div ref={part} data-late="" className="contents">
      {children}
    </div>
  );
}

type Box = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const isBox = (target: EventTarget): target is Box =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

function typeAgain(isAwake: (box: Box) => boolean): void {
  const typed = window.gilderTyped ?? new Map<EventTarget, string | boolean>();
  for (const [box, value] of [...typed]) {
    if (!isBox(box) || !isAwake(box)) continue;
    if (box.isConnected) again(box, value);
    // Only now: until all of the page is awake, typing again is noted again.
    typed.delete(box);
  }
}

function again(box: Box, value: string | boolean): void {
  if (typeof value === 'boolean') tickAgain(box, value);
  else fillAgain(box, value);
}

function tickAgain(box: Box, checked: boolean): void {
  if (!(box instanceof HTMLInputElement)) return;
  // The click that follows ticks it, and is the one that is heard.
  box.checked = !checked;
  box.click();
}

function fillAgain(box: Box, value: string): void {
  const caret = box instanceof HTMLSelectElement ? null : ([box.selectionStart, box.selectionEnd] as const);
  // React hears of a change by comparing with what was set on the box itself, so that is not what was typed.
  if (box.value === value) box.value = value === '' ? ' ' : '';
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(box), 'value')?.set?.call(box, value);
  box.dispatchEvent(new Event('input', { bubbles: true }));
  if (box instanceof HTMLSelectElement) box.dispatchEvent(new Event('change', { bubbles: true }));
  if (document.activeElement !== box) box.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
  // What React sets after it has heard puts the caret at the end.
  else if (caret !== null) setTimeout(() => box.matches(':focus') && placeCaret(box, caret));
}

function placeCaret(box: Box, [start, end]: readonly [number | null, number | null]): void {
  if (start !== null && !(box instanceof HTMLSelectElement)) box.setSelectionRange(start, end);
}
