'use client';
import { nanoid } from 'nanoid';
import { toast } from 'sonner';
import { nudgeTitles } from '@/core/project/arrangeTitles';
import { cutAt, cutFrames, removeClip } from '@/core/project/clips';
import { nextDelivery } from '@/core/project/deliver';
import { endOf } from '@/core/project/lanes';
import { changeTitles } from '@/core/project/work';
import type { Player } from '../picture/usePlayer';
import { actsItself, takesArrows, useClickLetsGo, useKeys, useUndoKeys } from '../shared/useKeys';
import { useCaptionKeys } from './captions/useCaptionKeys';
import { useCreditKeys } from './credits/useCreditKeys';
import { rowHere } from './card/rowHere';
import { useDeliveryValues, useDesk, useSelect } from './deskContext';
import { setMarker } from './strip/StripTools';
import { useDuplicate } from './useDuplicate';
import { useRemoveTitles } from './useRemoveTitles';

/** The desk's keys; none of them act while text is typed, save undo and duplicate. */
export function useDeskKeys({ player, end }: { readonly player: Player; readonly end: number }): void {
  useClickLetsGo();
  useTimeKeys(player, end);
  useTitleKeys(player);
  useCaptionKeys(player);
  useCreditKeys();
  useScreenKeys();
}

function useTimeKeys(player: Player, end: number): void {
  const { store, ui, rate } = useDesk();
  useKeys('space', (event) => {
    if (actsItself(event)) return;
    event.preventDefault();
    player.toggle();
  });
  const stops = (): number[] => {
    const { titles, clips, cues, plan } = store.getState();
    const shown = ui.getState().sheet === 'captions' ? cues : titles;
    const edges = shown.flatMap((one) => [one.startFrame, endOf(one)]);
    const markers = plan.markers.map(({ frame }) => frame);
    return [...new Set([...edges, ...cutFrames(clips), ...markers])].toSorted((a, b) => a - b);
  };
  useKeys('[', () => player.seek(stops().findLast((stop) => stop < player.frame) ?? 0), { useKey: true });
  useKeys(']', () => player.seek(stops().find((stop) => stop > player.frame) ?? end), { useKey: true });
  useKeys('comma, shift+comma', (event) => player.seek(player.frame - (event.shiftKey ? rate.nominal : 1)));
  useKeys('period, shift+period', (event) =>
    player.seek(Math.min(end, player.frame + (event.shiftKey ? rate.nominal : 1))),
  );
  useKeys('m', () => setMarker(store, player.frame));
  const mark = (edge: 'from' | 'to'): void => {
    const { range } = ui.getState();
    const [from, to] = [range?.startFrame ?? 0, range === null ? end : endOf(range)];
    const [start, stop] = edge === 'from' ? [player.frame, to] : [from, player.frame];
    ui.setState({ range: stop - start < 2 ? null : { startFrame: start, lengthFrames: stop - start } });
  };
  useKeys('i', () => mark('from'));
  useKeys('o', () => mark('to'));
}

/** The keys of the titles' sheet. */
function useTitleKeys(player: Player): void {
  const { store, ui, rate, editions } = useDesk();
  const valuesOf = useDeliveryValues();
  const select = useSelect();
  const remove = useRemoveTitles();
  const duplicate = useDuplicate();
  const chosen = (): ReadonlySet<string> => new Set(ui.getState().selection);
  const open = (): boolean => ui.getState().sheet === 'titles';
  useKeys('delete, backspace', () => {
    if (!open()) return;
    const { clipId } = ui.getState();
    const ids = chosen();
    if (ids.size > 0) {
      remove(ids);
    } else if (clipId !== null) {
      store.getState().applyWork((work) => removeClip(work, clipId, 'ripple'));
      ui.setState({ clipId: null });
    }
  });
  useKeys('mod+a', (event) => {
    if (!open()) return;
    event.preventDefault();
    select(...store.getState().titles.map(({ id }) => id));
  });
  useKeys('d', () => open() && duplicate());
  useKeys('mod+shift+d', () => open() && duplicate(), { enableOnFormTags: true, preventDefault: true });
  useKeys('arrowleft, arrowright, shift+arrowleft, shift+arrowright', (event) => {
    const ids = chosen();
    if (!open() || ids.size === 0 || takesArrows(event)) return;
    event.preventDefault();
    const step = (event.key === 'ArrowLeft' ? -1 : 1) * (event.shiftKey ? rate.nominal : 1);
    store.getState().apply((now) => nudgeTitles(now, ids, step));
  });
  useKeys('r', () => {
    if (!open()) return;
    const { titles, apply } = store.getState();
    const title = titles.find(({ id }) => id === ui.getState().selection[0]);
    const template = title && editions.get(title.editionId)?.document;
    if (title === undefined || template === undefined) return;
    const moments = rowHere(title, template, { values: valuesOf(title), frame: player.frame, rate });
    if (typeof moments === 'string') toast(moments);
    else apply((now) => changeTitles(now, new Set([title.id]), (one) => ({ ...one, moments })));
  });
  useKeys('c', () => store.getState().applyWork((work) => cutAt(work, player.frame, () => nanoid(12))));
  useUndoKeys(store.temporal);
}

function useScreenKeys(): void {
  const { store, ui } = useDesk();
  useKeys('f', () => {
    const { deliveryId } = ui.getState();
    ui.setState({ deliveryId: nextDelivery(store.getState().plan, deliveryId).id });
  });
  useKeys('g', () => ui.setState(({ guides }) => ({ guides: !guides })));
  useKeys('q', () => ui.getState().selection.length > 0 && ui.setState({ dialog: 'quiet' }));
  useKeys('t', () => {
    document.querySelector<HTMLButtonElement>('[data-add-title]')?.click();
  });
  useKeys(
    'mod+f',
    (event) => {
      event.preventDefault();
      ui.setState({ dialog: 'find' });
    },
    { enableOnFormTags: true },
  );
}
