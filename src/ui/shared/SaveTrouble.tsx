'use client';
import { Button } from './Button';
import type { SaveState } from './autosaver';

interface Props {
  readonly state: SaveState;
  /** For work that is not put together by itself: what decides between two versions. */
  readonly onTakeTheirs?: () => void;
  readonly onKeepMine?: () => void;
}

/** A strip under the bar while something is not saved: what happened and what can be done. */
export function SaveTrouble({ state, onTakeTheirs, onKeepMine }: Props) {
  if (state.kind === 'saved' || state.kind === 'saving') return null;
  return (
    <div
      role="alert"
      className="flex shrink-0 items-center gap-3 border-b border-line bg-stop-wash px-4 py-1.5 text-stop-ink"
    >
      <p className="min-w-0 flex-1 whitespace-pre-line">{state.message}</p>
      {state.kind === 'stale' && onTakeTheirs !== undefined && (
        <>
          <Button onClick={onTakeTheirs}>Take the other version</Button>
          {state.newer !== null && <Button onClick={onKeepMine}>Keep mine</Button>}
        </>
      )}
    </div>
  );
}
