'use client';
import { useEffect, useRef } from 'react';
import { changeCues } from '@/core/captions/editCues';
import { keepApart, shiftCues } from '@/core/captions/timeCues';
import { endCueAt, nextToTap, tapCue } from '@/core/captions/transcript';
import type { Player } from '../../picture/usePlayer';
import { takesArrows, useKeys } from '../../shared/useKeys';
import { useDesk } from '../deskContext';
import { useApplyCues, useCaptionRules, useTrackCues } from './captionContext';
import { useCueActions } from './useCueActions';

// Held for so long, a key says where a cue ends as well.
const HELD_MS = 300;

/** The keys of the captions' sheet; none of them act while words are typed, or while the titles' sheet lies open. */
export function useCaptionKeys(player: Player): void {
  const { ui, rate } = useDesk();
  const apply = useApplyCues();
  const cues = useTrackCues();
  const actions = useCueActions();
  const open = (): boolean => ui.getState().sheet === 'captions';
  useTap(player, open);
  useKeys('n', () => open() && actions.add(player.frame));
  useKeys('delete, backspace', () => open() && actions.remove());
  useKeys('mod+a', (event) => {
    if (!open()) return;
    event.preventDefault();
    ui.setState({ cueIds: cues.map(({ id }) => id) });
  });
  useKeys('arrowleft, arrowright, shift+arrowleft, shift+arrowright', (event) => {
    const ids = new Set(ui.getState().cueIds);
    if (!open() || ids.size === 0 || takesArrows(event)) return;
    event.preventDefault();
    const step = (event.key === 'ArrowLeft' ? -1 : 1) * (event.shiftKey ? rate.nominal : 1);
    apply((now) => shiftCues(now, ids, step));
  });
}

/**
 * K: while cues wait for their times the next one comes where it is pressed; else the chosen one does. Held down, it ends
 * where it is let go, and the next is chosen.
 */
function useTap(player: Player, open: () => boolean): void {
  const { store, ui } = useDesk();
  const rules = useCaptionRules();
  const apply = useApplyCues();
  const cues = useTrackCues();
  const held = useRef<{ readonly id: string; readonly at: number } | null>(null);
  const latest = useRef({ player, cues, apply });
  useEffect(() => {
    latest.current = { player, cues, apply };
  });
  useKeys('k', (event) => {
    if (!open() || event.repeat || held.current !== null) return;
    const { frame } = player;
    const next = nextToTap(cues) ?? cues.find(({ id }) => id === ui.getState().cueIds[0]);
    if (next === undefined) return;
    store.grouping.begin();
    held.current = { id: next.id, at: event.timeStamp };
    if (next.guessed) apply((now) => tapCue(now, frame, rules));
    else
      apply((now) => {
        const set = changeCues(now, new Set([next.id]), (cue) => ({ ...cue, startFrame: frame }));
        return keepApart(
          set.toSorted((a, b) => a.startFrame - b.startFrame),
          rules.gapFrames,
        );
      });
    ui.setState({ cueIds: [next.id] });
  });
  useEffect(() => {
    const release = (event: KeyboardEvent): void => {
      const { current } = held;
      if (event.key.toLowerCase() !== 'k' || current === null) return;
      held.current = null;
      const now = latest.current;
      if (event.timeStamp - current.at >= HELD_MS) {
        now.apply((track) => endCueAt(track, current.id, now.player.frame));
        const after = now.cues[now.cues.findIndex(({ id }) => id === current.id) + 1];
        if (after !== undefined) ui.setState({ cueIds: [after.id] });
      }
      store.grouping.end();
    };
    // Let go in another window, nobody says where it ends; what follows is a step of its own all the same.
    const forget = (): void => {
      if (held.current === null) return;
      held.current = null;
      store.grouping.end();
    };
    window.addEventListener('keyup', release);
    window.addEventListener('blur', forget);
    return () => {
      window.removeEventListener('keyup', release);
      window.removeEventListener('blur', forget);
    };
  }, [store, ui]);
}
