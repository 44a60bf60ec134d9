import { RefusedError, UnreachableError, wordsOf } from './api';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** The server is away or in trouble; trying again. */
  | { readonly kind: 'waiting'; readonly message: string }
  /** Someone else saved in between; nothing was overwritten. */
  | { readonly kind: 'stale'; readonly message: string; readonly newer: unknown }
  /** The server refused it; it stays here. */
  | { readonly kind: 'refused'; readonly message: string };

/** Saves a value; resolves once it is on disk. `leaving` is set for the last save before the page goes. */
export type Save<T> = (value: T, leaving: boolean) => Promise<void>;

const SETTLE_MS = 350;
const RETRY_MS = 2000;

/** Saves a value by itself a moment after it stops changing, one save at a time, and keeps trying while the server is away. */
export class Autosaver<T> {
  state: SaveState = { kind: 'saved' };
  private value: T;
  private saved: T;
  private busy: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(
    first: T,
    private readonly save: Save<T>,
  ) {
    this.value = first;
    this.saved = first;
  }

  /** Whether something is not saved that no retry will save. */
  get held(): boolean {
    return (this.state.kind === 'stale' || this.state.kind === 'refused') && this.value !== this.saved;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Takes a newer value and saves it soon. Changing what was refused is the way to mend it. */
  change(value: T): void {
    if (value === this.value) return;
    this.value = value;
    // From the first letter on: what is typed is not saved yet.
    if (this.state.kind === 'refused' || this.state.kind === 'saved') this.tell({ kind: 'saving' });
    if (this.state.kind !== 'stale' && this.busy === null) this.soon(SETTLE_MS);
  }

  /** Saves now what is not saved yet. Throws when it stays unsaved. */
  async flush(): Promise<void> {
    await this.push(false);
    if (this.value !== this.saved)
      throw new Error('message' in this.state ? this.state.message : 'Not saved yet.');
  }

  /** The last save before the page goes. */
  leave(): void {
    void this.push(true);
  }

  /** Goes on after a stale save, once it was decided which state holds. */
  resume(): void {
    this.tell({ kind: 'saving' });
    void this.push(false);
  }

  private async push(leaving: boolean): Promise<void> {
    clearTimeout(this.timer);
    while (this.busy !== null) await this.busy;
    if (this.held) return;
    if (this.value === this.saved) {
      this.tell({ kind: 'saved' });
      return;
    }
    this.busy = this.send(this.value, leaving);
    await this.busy;
    this.busy = null;
    if (this.value !== this.saved && !this.held)
      this.soon(this.state.kind === 'waiting' ? RETRY_MS : SETTLE_MS);
  }

  private async send(value: T, leaving: boolean): Promise<void> {
    if (this.state.kind !== 'waiting') this.tell({ kind: 'saving' });
    try {
      await this.save(value, leaving);
      this.saved = value;
      this.tell(this.value === value ? { kind: 'saved' } : { kind: 'saving' });
    } catch (error) {
      this.tell(failureState(error));
    }
  }

  private soon(milliseconds: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.push(false), milliseconds);
  }

  private tell(state: SaveState): void {
    if (state.kind === this.state.kind && state.kind === 'saved') return;
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

function failureState(error: unknown): SaveState {
  const itsOwnFault = error instanceof RefusedError && error.status >= 500;
  if (error instanceof UnreachableError || itsOwnFault) return { kind: 'waiting', message: error.message };
  if (error instanceof RefusedError && error.status === 409) {
    return { kind: 'stale', message: error.message, newer: error.refusal.newer };
  }
  return { kind: 'refused', message: wordsOf(error) };
}
