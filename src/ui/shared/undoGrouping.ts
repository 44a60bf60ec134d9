const GROUP_MS = 500;

/** Decides which changes are one step of undo. */
export interface UndoGrouping {
  /** Wraps what records a past state, so that it is called for the first change of a group only. */
  wrap<Args extends readonly unknown[]>(record: (...args: Args) => void): (...args: Args) => void;
  /** From here on everything is one step, however long it takes: a drag has begun. */
  begin(): void;
  /** The drag has ended; what follows is a step of its own. */
  end(): void;
}

/** Changes that follow one another closely, such as a burst of typing, are one step; so is a whole drag. */
export function createUndoGrouping(): UndoGrouping {
  let last = -Infinity;
  let held = false;
  let recorded = false;
  return {
    wrap:
      (record) =>
      (...args) => {
        const now = performance.now();
        const follows = held ? recorded : now - last <= GROUP_MS;
        if (!follows) record(...args);
        recorded = true;
        last = now;
      },
    begin() {
      held = true;
      recorded = false;
    },
    end() {
      held = false;
      last = -Infinity;
    },
  };
}
