'use client';

/*
 * What a user does in one go: a press of the pointer with all that is dragged, a key with its repeats, a word that is
 * typed. What is changed in one go is one step of undo, however long it takes and however soon the next follows.
 */
let gesture = 0;

/** The number of what is being done; 0 before anything was. */
export function gestureNow(): number {
  return gesture;
}

const next = (): void => void gesture++;

function onKey({ repeat, key, target, ctrlKey, metaKey }: KeyboardEvent): void {
  if (repeat) return;
  // Letters of a word go together; a space or a new line begins the next.
  const letter = key.length === 1 && !/\s/.test(key) && !ctrlKey && !metaKey;
  const erases = key === 'Backspace' || key === 'Delete';
  if ((letter || erases) && isTextBox(target)) return;
  next();
}

function isTextBox(target: EventTarget | null): boolean {
  if (target instanceof HTMLTextAreaElement) return true;
  if (target instanceof HTMLElement && target.isContentEditable) return true;
  return target instanceof HTMLInputElement && /^(text|search|number|url|email|tel|)$/.test(target.type);
}

if (typeof window !== 'undefined') {
  for (const type of ['pointerdown', 'focusin', 'paste', 'cut', 'drop'])
    window.addEventListener(type, next, { capture: true });
  window.addEventListener('keydown', onKey, { capture: true });
}
