'use client';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { breakLines } from '@/core/captions/breakLines';
import { changeCues, markWords, mergeCues, splitCue } from '@/core/captions/editCues';
import { roomFor } from '@/core/captions/timeCues';
import type { CaptionRules, CaptionTrack, Cue } from '@/core/model/captions';
import { newCue } from '@/core/model/captions';
import type { Clock } from '@/core/time/clock';
import { frameToTimecode } from '@/core/time/clock';
import type { FrameRate } from '@/core/time/rates';
import { useClock, useDesk } from '../deskContext';
import type { DeskStore } from '../deskStore';
import type { CueCaret, DeskUiStore } from '../deskUi';
import type { CuesChange } from './captionContext';
import { trackOf, useCaptionRules, withTrackCues } from './captionContext';

type Mark = Parameters<typeof markWords>[3];

/** Everything that is done to cues by a key or a button. */
export interface CueActions {
  change(ids: readonly string[], part: Partial<Cue>): void;
  /** Splits the cue where the caret is. */
  split(): void;
  /** Joins the chosen cues, or the chosen one with the next. */
  join(): void;
  breakLines(): void;
  /** Puts what is selected, or all of the words, into italics, out of them, or into a colour. */
  mark(mark: Mark): void;
  /** Puts signs of music or sound round the words. */
  enclose(open: string, close: string): void;
  remove(): void;
  /** Adds a cue at a frame, after what is there. */
  add(frame: number): void;
}

/** What can be done to the chosen cues of the track that is worked on; the same object whatever is typed. */
export function useCueActions(): CueActions {
  const { store, ui, rate } = useDesk();
  const clock = useClock();
  const rules = useCaptionRules();
  return useMemo(() => createActions({ store, ui, rate, clock, rules }), [store, ui, rate, clock, rules]);
}

interface ActOn {
  readonly store: DeskStore;
  readonly ui: DeskUiStore;
  readonly rate: FrameRate;
  readonly clock: Clock;
  readonly rules: CaptionRules;
}

function createActions({ store, ui, rate, clock, rules }: ActOn): CueActions {
  const trackNow = (): CaptionTrack | null => trackOf(store.getState().plan, ui.getState().trackId);
  const cuesNow = (): readonly Cue[] => {
    const id = trackNow()?.id;
    return store.getState().cues.filter(({ trackId }) => trackId === id);
  };
  const languageNow = (): string => trackNow()?.language ?? 'und';
  const apply = (change: CuesChange): void =>
    store.getState().applyWork((work) => withTrackCues(work, trackNow()?.id, change));
  const chosen = (): readonly Cue[] => {
    const ids = new Set(ui.getState().cueIds);
    return cuesNow().filter(({ id }) => ids.has(id));
  };
  const choose = (cueIds: readonly string[], words: CueCaret | null = null): void =>
    ui.setState({ cueIds, ...(words === null ? {} : { caret: words }) });
  const each = (change: (cue: Cue) => Cue): void => {
    const ids = new Set(ui.getState().cueIds);
    if (ids.size > 0) apply((all) => changeCues(all, ids, change));
  };
  const caretIn = (cue: Cue): { readonly from: number; readonly to: number } => {
    const { caret } = ui.getState();
    return caret?.cueId === cue.id ? caret : { from: 0, to: 0 };
  };
  return {
    change: (ids, part) => apply((all) => changeCues(all, new Set(ids), (cue) => ({ ...cue, ...part }))),
    split() {
      const [cue] = chosen();
      const { caret } = ui.getState();
      if (cue === undefined) return;
      const at = caret?.cueId === cue.id ? caret.from : 0;
      const parts = splitCue(cue, at, nanoid(12));
      if (parts === null) {
        toast('Put the caret between two words of the cue, where the second one begins.');
        return;
      }
      apply((all) => all.flatMap((one) => (one.id === cue.id ? parts : [one])));
      choose([parts[1].id], { cueId: parts[1].id, from: 0, to: 0, wanted: true });
    },
    join() {
      const cues = cuesNow();
      const picked = chosen();
      const [first] = picked;
      if (first === undefined) return;
      const next = cues[cues.indexOf(first) + 1];
      const list = picked.length > 1 ? picked : next === undefined ? [] : [first, next];
      const joined = mergeCues(list, rules, languageNow());
      if (joined === null) {
        toast('There is no cue after this one to join it with.');
        return;
      }
      const gone = new Set(list.slice(1).map(({ id }) => id));
      apply((all) => all.flatMap((one) => (one.id === joined.id ? [joined] : gone.has(one.id) ? [] : [one])));
      choose([joined.id]);
    },
    breakLines: () => each((cue) => ({ ...cue, words: breakLines(cue.words, rules, languageNow()) })),
    mark: (mark) =>
      each((cue) => ({ ...cue, words: markWords(cue.words, caretIn(cue).from, caretIn(cue).to, mark) })),
    enclose: (open, close) =>
      each((cue) => {
        const bare = cue.words.startsWith(open) && cue.words.endsWith(close);
        const words = bare
          ? cue.words.slice(open.length, -close.length).trim()
          : `${open}${cue.words}${close}`;
        return { ...cue, words };
      }),
    remove() {
      const cues = cuesNow();
      const ids = new Set(ui.getState().cueIds);
      if (ids.size === 0) return;
      const last = cues.findLastIndex(({ id }) => ids.has(id));
      const next =
        cues.slice(last + 1).find(({ id }) => !ids.has(id)) ?? cues.findLast(({ id }) => !ids.has(id));
      apply((all) => all.filter(({ id }) => !ids.has(id)));
      choose(next === undefined ? [] : [next.id]);
    },
    add(frame) {
      const [track, cues] = [trackNow(), cuesNow()];
      if (track === null) return;
      const room = roomFor(cues, frame, rules, rate);
      if (room === null) {
        toast(
          `There is a cue at ${frameToTimecode(frame, clock)} already. Move the playhead to where there is none.`,
        );
        return;
      }
      const cue = newCue({ id: nanoid(12), trackId: track.id, ...room });
      apply((all) => [...all, cue]);
      choose([cue.id], { cueId: cue.id, from: 0, to: 0, wanted: true });
    },
  };
}
