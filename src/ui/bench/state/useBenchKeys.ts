'use client';
import type { EditPlace } from '@/core/edit/editInFormat';
import { nudgeIn } from '@/core/edit/editInFormat';
import { freeRoots } from '@/core/edit/editTemplate';
import { addMark } from '@/core/edit/marks';
import type { TitleTiming } from '@/core/titleTime/stretch';
import type { FrameRate } from '@/core/time/rates';
import type { Player } from '../../picture/usePlayer';
import type { BenchView } from './benchStore';
import { designSeconds } from './benchStore';
import { stopsOf } from './stops';
import { actsItself, takesArrows, useKeys, useUndoKeys } from '../../shared/useKeys';

interface Options {
  readonly view: BenchView;
  readonly place: EditPlace;
  readonly player: Player;
  readonly rate: FrameRate;
  readonly timing: TitleTiming;
  readonly setGuides: (change: (shown: boolean) => boolean) => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The bench's keys; none of them act while text is typed. */
export function useBenchKeys({ view, place, player, rate, timing, setGuides }: Options): void {
  const { store, selected, selection } = view;
  const { apply, template } = store.getState();
  const total = timing.totalFrames;
  const stops = (): readonly number[] => stopsOf(store.getState().template, selection, timing, rate);
  useKeys('space', (event) => {
    if (actsItself(event)) return;
    event.preventDefault();
    player.toggle();
  });
  useKeys('m', () => {
    const now = store.getState();
    now.replace(addMark(now.template, designSeconds(view.playhead, now.template.timing)));
  });
  useKeys('[', () => player.seek(stops().findLast((stop) => stop < player.frame) ?? 0), { useKey: true });
  useKeys(']', () => player.seek(stops().find((stop) => stop > player.frame) ?? total), { useKey: true });
  useKeys('comma, shift+comma', (event) => player.seek(player.frame - (event.shiftKey ? rate.nominal : 1)));
  useKeys('period, shift+period', (event) =>
    player.seek(Math.min(total, player.frame + (event.shiftKey ? rate.nominal : 1))),
  );
  useKeys('g', () => setGuides((shown) => !shown));
  useKeys('f', () => {
    const { formats } = template;
    view.chooseFormat(formats[(formats.indexOf(view.formatId) + 1) % formats.length]);
  });
  useKeys('enter', (event) => {
    if (actsItself(event) || template.layers.find((layer) => layer.id === selected)?.kind !== 'text') return;
    event.preventDefault();
    view.type(true);
  });
  useKeys('pageup, pagedown', (event) => {
    event.preventDefault();
    const { layers } = store.getState().template;
    const at = layers.findIndex(({ id }) => id === selected);
    const next = layers[event.key === 'PageUp' ? at - 1 : at + 1] ?? (at < 0 ? layers[0] : undefined);
    if (next !== undefined) view.select(next.id);
  });
  useKeys(
    [
      'arrowleft',
      'arrowright',
      'arrowup',
      'arrowdown',
      'shift+arrowleft',
      'shift+arrowright',
      'shift+arrowup',
      'shift+arrowdown',
    ],
    (event) => {
      const arrow = ARROWS[event.key];
      if (selected === null || arrow === undefined || takesArrows(event)) return;
      event.preventDefault();
      const step = event.shiftKey ? 10 : 1;
      apply((now) => {
        const roots = new Set(selection.flatMap((id) => freeRoots(now, id)));
        return [...roots].reduce(
          (moved, id) => nudgeIn(moved, place, id, arrow[0] * step * view.boxes.across(id), arrow[1] * step),
          now,
        );
      });
    },
  );
  useKeys(
    'mod+a',
    () => {
      view.choose(template.layers.map(({ id }) => id));
    },
    { preventDefault: true },
  );
  useUndoKeys(store.temporal);
}
