const GROUP_MS = 500;

/**
 * Makes changes that follow one another closely one step of undo: a burst of typing, or a drag. What is
 * recorded is the state before the first of them.
 */
export function groupChanges<Args extends readonly unknown[]>(
  record: (...args: Args) => void,
): (...args: Args) => void {
  let last = -Infinity;
  return (...args) => {
    const now = performance.now();
    if (now - last > GROUP_MS) record(...args);
    last = now;
  };
}
