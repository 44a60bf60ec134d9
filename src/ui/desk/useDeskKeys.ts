'use client';
import { nanoid } from 'nanoid';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Player } from '../picture/usePlayer';
import { useDesk } from './deskContext';
import { freeLane, updateTitle } from './deskStore';

/** The desk's keys; none of them act while text is typed. */
export function useDeskKeys({ player, end }: { readonly player: Player; readonly end: number }): void {
  const { store, selected, select, rate } = useDesk();
  const { apply, titles } = store.getState();
  const title = titles.find((one) => one.id === selected);
  useHotkeys('space', (event) => {
    if (event.target instanceof HTMLElement && event.target.closest('button, a, select') !== null) return;
    event.preventDefault();
    player.toggle();
  });
  const stops = [
    ...new Set(titles.flatMap((one) => [one.startFrame, one.startFrame + one.lengthFrames])),
  ].toSorted((a, b) => a - b);
  useHotkeys('[', () => player.seek(stops.findLast((stop) => stop < player.frame) ?? 0), { useKey: true });
  useHotkeys(']', () => player.seek(stops.find((stop) => stop > player.frame) ?? end), { useKey: true });
  useHotkeys('comma, shift+comma', (event) =>
    player.seek(player.frame - (event.shiftKey ? rate.nominal : 1)),
  );
  useHotkeys('period, shift+period', (event) =>
    player.seek(Math.min(end, player.frame + (event.shiftKey ? rate.nominal : 1))),
  );
  useHotkeys('delete, backspace', () => {
    if (title === undefined) return;
    apply((now) => now.filter((one) => one.id !== title.id));
    select(null);
  });
  useHotkeys('d', () => {
    if (title === undefined) return;
    const startFrame = title.startFrame + title.lengthFrames;
    const id = nanoid(12);
    apply((now) => [
      ...now,
      { ...title, id, startFrame, lane: freeLane(now, startFrame, title.lengthFrames) },
    ]);
    select(id);
    player.seek(startFrame + Math.floor(title.lengthFrames / 2));
  });
  useHotkeys('arrowleft, arrowright, shift+arrowleft, shift+arrowright', (event) => {
    if (title === undefined) return;
    event.preventDefault();
    const step = (event.key === 'ArrowLeft' ? -1 : 1) * (event.shiftKey ? rate.nominal : 1);
    apply((now) => updateTitle(now, title.id, { startFrame: Math.max(0, title.startFrame + step) }));
  });
  const history = { enableOnFormTags: true, preventDefault: true } as const;
  useHotkeys('mod+z', () => store.temporal.getState().undo(), history);
  useHotkeys('mod+shift+z', () => store.temporal.getState().redo(), history);
}
