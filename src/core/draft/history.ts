import type { Change } from './change';
import { applyChange, changeBetween } from './change';

/** The steps that can be taken back and made again, the nearest last. */
export interface Steps {
  readonly past: readonly Change[];
  readonly future: readonly Change[];
}

const NO_STEPS: Steps = { past: [], future: [] };

const MOST_STEPS = 200;

/**
 * What was done to a document, step by step, as changes that can be taken back from whatever it is then: what others do
 * to it meanwhile is not touched, and costs nothing here.
 */
export class History<T extends object> {
  private steps: Steps;
  /** Before the step that may still go on. */
  private began: T | null = null;

  constructor(
    steps: Steps = NO_STEPS,
    private readonly sorted: ReadonlySet<string> = new Set(),
  ) {
    this.steps = steps;
  }

  get now(): Steps {
    return this.steps;
  }

  /** Takes what was done; `goesOn` makes it part of the step before. */
  record(before: T, after: T, goesOn: boolean): void {
    const from = goesOn && this.began !== null ? this.began : before;
    const past = from === before ? this.steps.past : this.steps.past.slice(0, -1);
    this.began = from;
    const change = changeBetween(from, after, this.sorted);
    const next = change === null ? past : [...past, change].slice(-MOST_STEPS);
    this.steps = { past: next, future: [] };
    // A step that came back to where it began is none, and what follows begins anew.
    if (change === null) this.began = null;
  }

  /** Takes in what others changed while a step may go on. */
  rebase(change: (state: T) => T): void {
    if (this.began !== null) this.began = change(this.began);
  }

  /** The state with the last step taken back; null when there is none. */
  undo(state: T): T | null {
    const step = this.steps.past.at(-1);
    if (step === undefined) return null;
    this.began = null;
    this.steps = { past: this.steps.past.slice(0, -1), future: [...this.steps.future, step] };
    return applyChange(state, step, 'back');
  }

  /** The state with the step that was taken back last made again; null when there is none. */
  redo(state: T): T | null {
    const step = this.steps.future.at(-1);
    if (step === undefined) return null;
    this.began = null;
    this.steps = { past: [...this.steps.past, step], future: this.steps.future.slice(0, -1) };
    return applyChange(state, step, 'forth');
  }
}
