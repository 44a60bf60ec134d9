'use client';
import type { SaveState } from './autosaver';

const WORDS: Readonly<Record<SaveState['kind'], string>> = {
  saved: 'saved',
  saving: 'saving…',
  waiting: 'not saved yet, Gilder is away',
  stale: 'changed elsewhere',
  refused: 'not saved',
};

/** Where the saving stands, in two words. */
export function SaveNote({ state }: { readonly state: SaveState }) {
  const calm = state.kind === 'saved' || state.kind === 'saving';
  return (
    <span
      role="status"
      className={calm ? 'text-soft' : 'font-semibold text-stop-ink'}
      title={'message' in state ? state.message : undefined}
    >
      {WORDS[state.kind]}
    </span>
  );
}
