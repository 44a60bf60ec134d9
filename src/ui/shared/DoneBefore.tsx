'use client';
import { useEffect, useRef } from 'react';
import type { MouseEvent as ReactMouseEvent, ReactNode } from 'react';

/** What was done before the page was awake: typed or ticked, or clicked. */
type Done =
  | { readonly target: Element; readonly value: string | boolean }
  | { readonly target: Element; readonly event: MouseEvent };

declare global {
  interface Window {
    /** What was done before the page was awake, in order; public/early.js notes it. */
    gilderBefore?: Done[];
  }
}

/**
 * Pages come from the server as they look and answer a moment later. What is typed in that moment would be seen and then
 * forgotten, and what is clicked never heard; with this in the page it is done again as soon as somebody listens.
 */
export function DoneBefore() {
  useEffect(() => {
    document.documentElement.dataset.awake = '';
    doSoon((target) => target.closest('[data-late]') === null);
  }, []);
  return null;
}

/** A part that wakes after the rest of its page. What is done in it before is not lost either. */
export function LatePart({ children }: { readonly children: ReactNode }) {
  const part = useRef<HTMLDivElement>(null);
  useEffect(() => {
    part.current?.removeAttribute('data-late');
    doSoon((target) => part.current?.contains(target) === true);
  }, []);
  // A click may be what wakes it, and is heard then.
  const heard = ({ nativeEvent }: ReactMouseEvent): void => {
    window.gilderBefore = before().filter((done) => !('event' in done) || done.event !== nativeEvent);
  };
  return (
    <div ref={part} data-late="" className="contents" onClickCapture={heard}>
      {children}
    </div>
  );
}

const before = (): readonly Done[] => window.gilderBefore ?? [];

/** Does again what was done where it is heard now. Not at once: what is on its way is heard first. */
function doSoon(isAwake: (target: Element) => boolean): void {
  setTimeout(() => {
    const all = before();
    const mine = all.filter(({ target }) => isAwake(target));
    window.gilderBefore = all.filter((done) => !mine.includes(done));
    for (const done of mine) if (done.target.isConnected) doAgain(done);
  });
}

function doAgain(done: Done): void {
  if ('event' in done) clickAgain(done.target, done.event);
  else if (!isBox(done.target)) return;
  else if (typeof done.value === 'boolean') tickAgain(done.target, done.value);
  else fillAgain(done.target, done.value);
}

/** A click as it was: with the pointer going down, for those who hear that, unless it came by a key. */
function clickAgain(target: Element, event: MouseEvent): void {
  const { clientX, clientY, shiftKey, ctrlKey, altKey, metaKey, detail } = event;
  const how = {
    bubbles: true,
    cancelable: true,
    clientX,
    clientY,
    shiftKey,
    ctrlKey,
    altKey,
    metaKey,
    detail,
  };
  const pointerId = event instanceof PointerEvent ? event.pointerId : 0;
  if (detail > 0)
    for (const type of ['pointerdown', 'pointerup'])
      target.dispatchEvent(new PointerEvent(type, { ...how, detail: 0, pointerId, isPrimary: true }));
  if (target.isConnected) target.dispatchEvent(new MouseEvent('click', how));
}

type Box = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const isBox = (target: Element): target is Box =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

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
